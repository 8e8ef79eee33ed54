package lucidsweep.core.wording;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/** Words that a text could go on with: those of its keyword first, then those that cover more searches, then the page's own. */
public final class NextWords {

    private static final int MOST_KEYWORDS = 60;

    private final Reach reach;
    private final Standard.TextLimits limits;

    public NextWords(Reach reach, Standard.TextLimits limits) {
        this.reach = reach;
        this.limits = limits;
    }

    /**
     * A word that a text could go on with.
     *
     * @param text as it would be
     * @param gained searches a month that the text would cover more
     * @param px its width then
     * @param fits whether it would pass every limit
     * @param ofKeyword whether the keyword has the word
     */
    public record NextWord(String word, String text, double gained, double px, boolean fits, boolean ofKeyword) {}

    /**
     * The best of them. A word that was begun is finished: "Kayak hi" goes on with "hire".
     *
     * @param keyword of the item; null for none
     * @param own other words that are the page's own, such as its heading
     */
    public List<NextWord> of(String text, Phrase keyword, Collection<String> own, int most) {
        int begun = text.isEmpty() || Character.isWhitespace(text.charAt(text.length() - 1))
                ? text.length()
                : lastWord(text);
        String prefix = text.substring(begun).toLowerCase(Locale.ROOT);
        List<NextWord> finishing = words(text.substring(0, begun), prefix, keyword, own);
        List<NextWord> found =
                prefix.isEmpty() || !finishing.isEmpty() ? finishing : words(text + " ", "", keyword, own);
        return found.subList(0, Math.min(most, found.size()));
    }

    private static int lastWord(String text) {
        int start = text.length();
        while (start > 0 && Character.isLetterOrDigit(text.charAt(start - 1))) start--;
        return start;
    }

    private List<NextWord> words(String start, String prefix, Phrase keyword, Collection<String> own) {
        Set<String> there = reach.stems(start);
        Set<String> said = new HashSet<>(there);
        double before = reach.of(start).searches();
        List<NextWord> found = new ArrayList<>();
        if (keyword != null) {
            for (Word word : keyword.words()) add(start, word.text(), prefix, before, true, said, found);
        }
        for (Reach.Known nearly : reach.nearlyCovered(start, MOST_KEYWORDS)) {
            for (Word word : reach.language().of(nearly.phrase())) {
                if (!word.stop() && !there.contains(word.stem()))
                    add(start, word.text(), prefix, before, false, said, found);
            }
        }
        for (String text : own) {
            for (Word word : reach.language().of(text)) {
                if (!word.stop()) add(start, word.text(), prefix, before, false, said, found);
            }
        }
        found.sort(Comparator.comparing((NextWord each) -> !each.ofKeyword())
                .thenComparing(each -> each.ofKeyword() ? 0 : -each.gained()));
        return found;
    }

    private void add(
            String start,
            String word,
            String prefix,
            double before,
            boolean ofKeyword,
            Set<String> said,
            List<NextWord> found) {
        if (!word.toLowerCase(Locale.ROOT).startsWith(prefix)
                || word.toLowerCase(Locale.ROOT).equals(prefix)) return;
        if (!said.addAll(reach.stems(word))) return;
        String longer = start + word;
        double px = limits.desktop().width(longer);
        double gained = Math.max(0, reach.of(longer).searches() - before);
        found.add(new NextWord(word, longer, gained, px, limits.fits(longer, Graphemes.count(longer)), ofKeyword));
    }
}
