package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import lucidsweep.core.text.Likeness;

/**
 * The names of a client and how people write them: with spaces or joined up, in the singular, with a slip of a letter or
 * two.
 *
 * <pre>{@code new BrandNames(List.of("Tarrin Bay Kayaks"), words).isIn("tarinbay kayaks opening hours")   // true }</pre>
 */
public final class BrandNames {

    private static final int LETTERS_FOR_ONE_SLIP = 6;
    private static final int LETTERS_FOR_TWO = 12;
    private static final int MOST_WORDS = 6;

    private final Words language;
    private final Set<String> joined = new LinkedHashSet<>();

    public BrandNames(Collection<String> names, Words language) {
        this.language = language;
        for (String name : names) {
            String plain = joined(stems(name));
            if (plain.length() >= 3) joined.add(plain);
        }
    }

    /** Whether a phrase names the client. */
    public boolean isIn(String phrase) {
        if (joined.isEmpty()) return false;
        List<String> stems = stems(phrase);
        List<String> written = List.of(Likeness.key(phrase).split(" "));
        return isIn(stems) || isIn(written);
    }

    private boolean isIn(List<String> words) {
        for (int start = 0; start < words.size(); start++) {
            StringBuilder run = new StringBuilder();
            for (int end = start; end < words.size() && end - start < MOST_WORDS; end++) {
                run.append(words.get(end));
                for (String name : joined) if (isName(run, name)) return true;
            }
        }
        return false;
    }

    private static boolean isName(CharSequence text, String name) {
        int slips = name.length() >= LETTERS_FOR_TWO ? 2 : name.length() >= LETTERS_FOR_ONE_SLIP ? 1 : 0;
        if (Math.abs(text.length() - name.length()) > slips) return false;
        if (text.charAt(0) != name.charAt(0)) return false;
        return slips(text, name) <= slips;
    }

    /** How many letters are wrong, missing, too many or swapped with the next one (optimal string alignment). */
    private static int slips(CharSequence a, CharSequence b) {
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

    private List<String> stems(String text) {
        List<String> stems = new ArrayList<>();
        language.forEachStem(text, stems::add);
        return stems;
    }

    private static String joined(List<String> words) {
        return String.join("", words);
    }
}
