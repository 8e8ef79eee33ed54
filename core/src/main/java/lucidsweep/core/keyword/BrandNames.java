package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.text.TextKey;

/**
 * The names of a client and how people write them: with spaces or joined up, in the singular, with a slip of a letter or
 * two.
 *
 * <pre>{@code new BrandNames(List.of("Tarrin Bay Kayaks"), words).isIn("tarinbay kayaks opening hours")   // true }</pre>
 */
public final class BrandNames {

    private static final int LETTERS_FOR_ONE_SLIP = 6;
    private static final int LETTERS_FOR_TWO = 12;
    private static final int MIN_LETTERS = 3;
    private static final int MAX_WORDS = 6;

    private final Words language;

    /** The names as they are written, by their stems joined up. */
    private final Map<String, String> names = new LinkedHashMap<>();

    private final List<String> written;

    public BrandNames(Collection<String> names, Words language) {
        this.language = language;
        written = names.stream().map(TextKey::key).toList();
        for (String name : names) {
            String plain = String.join("", stems(name));
            if (plain.length() >= MIN_LETTERS) this.names.putIfAbsent(plain, TextKey.key(name));
        }
    }

    /** How a name is written. */
    public enum Kind {
        AS_NAMED,
        OTHER_FORM,
        JOINED_UP,
        SLIP
    }

    /**
     * A name as somebody wrote it.
     *
     * @param text the words of the phrase that name the client
     * @param slips letters that are wrong, missing, too many or swapped
     */
    public record Spelling(String text, Kind kind, int slips) {}

    /** Whether a phrase names the client. */
    public boolean isIn(String phrase) {
        return spelling(phrase).isPresent();
    }

    /** How a phrase names the client: the run of words with the fewest slips, of those the longest; empty where it does not. */
    public Optional<Spelling> spelling(String phrase) {
        if (names.isEmpty()) return Optional.empty();
        List<String> written = List.of(TextKey.key(phrase).split(" "));
        List<String> stems = stems(phrase);
        Spelling best = best(written, written);
        Spelling byStems = stems.size() == written.size() ? best(written, stems) : best(stems, stems);
        if (best == null || byStems != null && isBetter(byStems, best)) best = byStems;
        return Optional.ofNullable(best);
    }

    private Spelling best(List<String> written, List<String> words) {
        Spelling best = null;
        for (int start = 0; start < words.size(); start++) {
            StringBuilder run = new StringBuilder();
            for (int end = start; end < words.size() && end - start < MAX_WORDS; end++) {
                run.append(words.get(end));
                for (Map.Entry<String, String> name : names.entrySet()) {
                    int slips = slips(run, name.getKey());
                    if (slips < 0) continue;
                    String text = String.join(" ", written.subList(start, end + 1));
                    Spelling found = new Spelling(text, kind(text, name.getValue(), slips), slips);
                    if (best == null || isBetter(found, best)) best = found;
                }
            }
        }
        return best;
    }

    private static boolean isBetter(Spelling a, Spelling b) {
        return a.slips != b.slips ? a.slips < b.slips : a.text.length() > b.text.length();
    }

    private static Kind kind(String text, String name, int slips) {
        if (text.equals(name)) return Kind.AS_NAMED;
        if (slips > 0) return Kind.SLIP;
        return text.split(" ").length == name.split(" ").length ? Kind.OTHER_FORM : Kind.JOINED_UP;
    }

    /** How many slips make a text of a name; -1 where they are more than a name of its length may have. */
    private static int slips(CharSequence text, String name) {
        int max = name.length() >= LETTERS_FOR_TWO ? 2 : name.length() >= LETTERS_FOR_ONE_SLIP ? 1 : 0;
        if (text.length() == 0 || Math.abs(text.length() - name.length()) > max) return -1;
        if (text.charAt(0) != name.charAt(0)) return -1;
        int slips = distance(text, name);
        return slips <= max ? slips : -1;
    }

    /** How many letters are wrong, missing, too many or swapped with the next one (optimal string alignment). */
    private static int distance(CharSequence a, CharSequence b) {
        int[] beforeLast = new int[b.length() + 1];
        int[] last = new int[b.length() + 1];
        for (int j = 0; j <= b.length(); j++) last[j] = j;
        for (int i = 1; i <= a.length(); i++) {
            int[] row = new int[b.length() + 1];
            row[0] = i;
            for (int j = 1; j <= b.length(); j++) {
                int same = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                row[j] = Math.min(Math.min(row[j - 1], last[j]) + 1, last[j - 1] + same);
                boolean swapped =
                        i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1);
                if (swapped) row[j] = Math.min(row[j], beforeLast[j - 2] + 1);
            }
            beforeLast = last;
            last = row;
        }
        return last[b.length()];
    }

    /**
     * The ways in which people are likely to write the names: joined up, a double letter once, two letters swapped; none that is
     * one of the names.
     */
    public List<String> likely() {
        Set<String> likely = new LinkedHashSet<>();
        for (String name : names.values()) {
            String[] words = name.split(" ");
            for (int i = 0; i + 1 < words.length; i++) {
                likely.add(name.replace(words[i] + " " + words[i + 1], words[i] + words[i + 1]));
            }
            likely.add(String.join("", words));
            for (int i = 1; i < name.length(); i++) {
                if (name.charAt(i) == name.charAt(i - 1)) likely.add(name.substring(0, i) + name.substring(i + 1));
            }
            for (int i = 1; i + 1 < words[0].length(); i++) likely.add(swapped(name, i));
        }
        likely.removeAll(written);
        return List.copyOf(likely);
    }

    private static String swapped(String name, int at) {
        StringBuilder swapped = new StringBuilder(name);
        swapped.setCharAt(at, name.charAt(at + 1));
        swapped.setCharAt(at + 1, name.charAt(at));
        return swapped.toString();
    }

    private List<String> stems(String text) {
        List<String> stems = new ArrayList<>();
        language.forEachStem(text, stems::add);
        return stems;
    }
}
