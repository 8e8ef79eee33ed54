package lucidsweep.server.command;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** The words behind a command: options with their values, and the rest in its order. */
final class Arguments {

    private final Map<String, String> options = new HashMap<>();
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
            options.put(name, words.get(i));
        }
    }

    List<String> rest() {
        return rest;
    }

    Optional<String> option(String name) {
        return Optional.ofNullable(options.get(name));
    }

    String needed(String name) {
        return option(name).orElseThrow(() -> new Usage(Usage.BAD_ARGUMENTS, "--" + name + " is needed"));
    }

    int number(String name, int otherwise, int least, int most) {
        String given = options.get(name);
        if (given == null) return otherwise;
        try {
            int number = Integer.parseInt(given);
            if (number >= least && number <= most) return number;
        } catch (NumberFormatException e) {
            throw new Usage(Usage.BAD_ARGUMENTS, expected(name, given, least, most));
        }
        throw new Usage(Usage.BAD_ARGUMENTS, expected(name, given, least, most));
    }

    private static String expected(String name, String given, int least, int most) {
        return "--" + name + ": expected a number from " + least + " to " + most + ", got \"" + given + "\"";
    }
}
