package lucidsweep.server.command;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The words behind a command: options with their values, and the rest in its order. */
final class Arguments {

    private final Map<String, List<String>> options = new HashMap<>();
    private final List<String> rest = new ArrayList<>();

    Arguments(List<String> words, Set<String> known) {
        for (int i = 0; i < words.size(); i++) {
            String word = words.get(i);
            if (!word.startsWith("--")) {
                rest.add(word);
                continue;
            }
            String name = word.substring(2);
            if (!known.contains(name)) {
                throw new Usage(Usage.BAD_ARGUMENTS, "there is no option " + word);
            }
            if (++i == words.size()) throw new Usage(Usage.BAD_ARGUMENTS, word + " needs a value");
            options.computeIfAbsent(name, any -> new ArrayList<>()).add(words.get(i));
        }
    }

    List<String> rest() {
        return rest;
    }

    Optional<String> option(String name) {
        List<String> given = all(name);
        return given.isEmpty() ? Optional.empty() : Optional.of(given.get(given.size() - 1));
    }

    /** Every value of an option that may be given several times, in their order. */
    List<String> all(String name) {
        return options.getOrDefault(name, List.of());
    }

    String needed(String name) {
        return option(name).orElseThrow(() -> new Usage(Usage.BAD_ARGUMENTS, "--" + name + " is needed"));
    }

    int number(String name, int otherwise, int least, int most) {
        return option(name)
                .map(given -> (int) parsed(name, given, given.matches("[+-]?\\d+"), least, most))
                .orElse(otherwise);
    }

    /** A number that need not be whole. */
    Optional<Double> decimal(String name, double least, double most) {
        return option(name).map(given -> parsed(name, given, true, least, most));
    }

    private static double parsed(String name, String given, boolean valid, double least, double most) {
        try {
            double number = Double.parseDouble(given);
            if (valid && number >= least && number <= most) return number;
        } catch (NumberFormatException e) {
            throw expected(name, given, least, most);
        }
        throw expected(name, given, least, most);
    }

    private static Usage expected(String name, String given, double least, double most) {
        String range = BigDecimal.valueOf(least).stripTrailingZeros().toPlainString() + " to "
                + BigDecimal.valueOf(most).stripTrailingZeros().toPlainString();
        return new Usage(
                Usage.BAD_ARGUMENTS, "--" + name + ": expected a number from " + range + ", got \"" + given + "\"");
    }
}
