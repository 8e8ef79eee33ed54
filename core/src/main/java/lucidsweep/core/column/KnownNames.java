package lucidsweep.core.column;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import lucidsweep.core.text.Letters;

/** What columns are called that hold a thing, in eight languages; read from {@code names.txt}. */
final class KnownNames {

    static final KnownNames ALL = read();

    private static final double INNERMOST = 0.92;
    private static final double COMPOUND = 0.78;
    private static final double CONTAINED = 0.5;
    private static final double OF_ITS_WORDS = 0.36;
    private static final int SHORTEST_OF_A_COMPOUND = 5;
    private static final String OTHER = "OTHER";
    private static final String TOTAL = "TOTAL";
    private static final int LONGEST_TOTAL = 24;
    private static final int LONGEST_NAME = 60;

    private final Map<String, List<List<String>>> phrases = new HashMap<>();

    /** The same phrases, each as one text: most names are looked up here. */
    private final Map<String, Set<String>> whole = new HashMap<>();

    /** The words that compound names may end with. */
    private final Map<String, List<String>> endings = new HashMap<>();

    private final Set<String> totals = new HashSet<>();
    private String totalInitials = "";
    private final Map<String, Set<String>> not = new HashMap<>();

    private static KnownNames read() {
        KnownNames names = new KnownNames();
        try (BufferedReader lines = new BufferedReader(
                new InputStreamReader(KnownNames.class.getResourceAsStream("names.txt"), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (!line.isBlank() && line.charAt(0) != '#') names.add(line);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return names;
    }

    private void add(String line) {
        int space = line.indexOf(' ');
        String of = line.substring(0, space);
        boolean names = line.charAt(space + 1) == '=';
        String[] entries = line.substring(space + (names ? 3 : 5)).split("\\|");
        for (String entry : entries) {
            List<String> words = ColumnName.of(entry.strip()).words();
            if (of.equals(TOTAL)) {
                totals.add(String.join(" ", words));
                totalInitials += entry.strip().charAt(0);
            }
            if (names) {
                phrases.computeIfAbsent(of, any -> new ArrayList<>()).add(words);
                boolean ends = words.size() == 1 && words.get(0).length() >= SHORTEST_OF_A_COMPOUND;
                if (ends) endings.computeIfAbsent(of, any -> new ArrayList<>()).add(words.get(0));
                whole.computeIfAbsent(of, any -> new HashSet<>()).add(String.join(" ", words));
            } else not.computeIfAbsent(of, any -> new HashSet<>()).addAll(words);
        }
    }

    /**
     * How well a name fits what it may mean: 1 where it is the very name, less where it is the end of a nested or compound
     * one, still less where it only contains it; 0 where it does not fit, or a word of it says otherwise.
     */
    double fit(String text, Meaning meaning) {
        ColumnName name = ColumnName.of(text);
        double fit = fitAsName(name, meaning);
        if (fit > 0 || isOther(name, meaning)) return fit;
        return phrases.getOrDefault(meaning.name(), List.of()).stream()
                .filter(name::contains)
                .mapToDouble(phrase ->
                        CONTAINED + OF_ITS_WORDS * phrase.size() / name.words().size())
                .max()
                .orElse(0);
    }

    /** The same of names that are the whole of a known one, its innermost part or its end. */
    private double fitAsName(ColumnName name, Meaning meaning) {
        if (isAny(name, meaning.name())) return 1;
        if (isOther(name, meaning)) return 0;
        if (name.isNested() && isAny(name.innermost(), meaning.name())) return INNERMOST;
        return isCompound(name, meaning) ? COMPOUND : 0;
    }

    /** Whether a name, or a word of it, says that a column holds something else. */
    private boolean isOther(ColumnName name, Meaning meaning) {
        return isAny(name, OTHER) || isAgainst(name, against(meaning));
    }

    private Set<String> against(Meaning meaning) {
        return not.getOrDefault(meaning.name(), Set.of());
    }

    /** Whether a word says that the column holds something else; its plural does, too. */
    private static boolean isAgainst(ColumnName name, Set<String> against) {
        return name.words().stream()
                .anyMatch(word -> against.contains(word)
                        || word.endsWith("s") && against.contains(word.substring(0, word.length() - 1)));
    }

    private boolean isAny(ColumnName name, String of) {
        if (name.text() != null) return whole.getOrDefault(of, Set.of()).contains(name.text());
        return phrases.getOrDefault(of, List.of()).stream().anyMatch(name::is);
    }

    /** Whether the last word ends with a known one, as "Produktbeschreibung" does. */
    private boolean isCompound(ColumnName name, Meaning meaning) {
        if (name.words().isEmpty()) return false;
        String last = name.words().get(name.words().size() - 1);
        if (!endsAsOne(last, meaning)) return false;
        return against(meaning).stream().noneMatch(word -> word.length() >= 4 && last.startsWith(word));
    }

    private boolean endsAsOne(String word, Meaning meaning) {
        for (String ending : endings.getOrDefault(meaning.name(), List.of())) if (word.endsWith(ending)) return true;
        return false;
    }

    /** Whether a name is known to hold something that is not read. */
    private boolean isOther(ColumnName name) {
        return isAny(name, OTHER) || name.isNested() && isAny(name.innermost(), OTHER);
    }

    /** Whether a name says that a column does not mean something, whatever its cells look like; ids may stand under any. */
    boolean denies(String text, Meaning meaning) {
        ColumnName name = ColumnName.of(text);
        return isOther(name)
                || isAgainst(name, against(meaning))
                || meaning != Meaning.ID
                        && Stream.of(Meaning.values()).anyMatch(other -> other != meaning && hasName(name, other));
    }

    /** Whether a name contains one of those that a meaning has, even where another word makes it something else. */
    private boolean hasName(ColumnName name, Meaning meaning) {
        return phrases.getOrDefault(meaning.name(), List.of()).stream().anyMatch(name::contains);
    }

    /** Whether a cell is likely to be the name of a column. */
    boolean isName(String text) {
        if (text.isBlank() || text.length() > LONGEST_NAME) return false;
        ColumnName name = ColumnName.of(text);
        if (isOther(name)) return true;
        for (Meaning meaning : Meaning.values()) if (fitAsName(name, meaning) > 0) return true;
        return MonthName.of(text).isPresent();
    }

    /** Whether a cell says that its row adds up the others; quick, since it is asked of every row. */
    boolean isTotal(String text) {
        int colon = text.indexOf(':');
        String before = colon > 0 ? text.substring(0, colon) : text;
        if (before.length() > LONGEST_TOTAL || before.isEmpty()) return false;
        if (totalInitials.indexOf(Character.toLowerCase(before.charAt(0))) < 0) return false;
        return totals.contains(Letters.plain(before).toLowerCase(Locale.ROOT).strip());
    }
}
