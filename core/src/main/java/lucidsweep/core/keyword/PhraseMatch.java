package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.List;

/**
 * How a text holds a phrase.
 *
 * @param exact whether the words stand in order and side by side, stop words apart
 * @param startsAt the place of the first of its words that stands in the text, 0 for the first; -1 where none does
 * @param missing the phrase's words that the text lacks, as the phrase writes them
 */
public record PhraseMatch(boolean exact, int startsAt, List<String> missing) {

    /** How well a text serves a phrase, the best first. */
    public enum Service {
        AT_ITS_START,
        EXACTLY,
        IN_OTHER_ORDER,
        PARTLY,
        NOT_AT_ALL
    }

    /**
     * How well the text serves the phrase.
     *
     * @param leading how many first words are its start
     */
    public Service service(int leading) {
        if (startsAt < 0) return Service.NOT_AT_ALL;
        if (!present()) return Service.PARTLY;
        if (!exact) return Service.IN_OTHER_ORDER;
        return leading(leading) ? Service.AT_ITS_START : Service.EXACTLY;
    }

    public static PhraseMatch of(List<Word> text, Phrase phrase) {
        List<String> missing = new ArrayList<>();
        int first = -1;
        for (Word wanted : phrase.words()) {
            int at = indexOf(text, wanted);
            if (at < 0) missing.add(wanted.text());
            else if (first < 0 || at < first) first = at;
        }
        int exactAt = missing.isEmpty() ? exactAt(text, phrase.words()) : -1;
        return new PhraseMatch(exactAt >= 0, exactAt >= 0 ? exactAt : first, missing);
    }

    /** Whether every word of the phrase stands in the text. */
    public boolean present() {
        return missing.isEmpty();
    }

    /** Whether the phrase starts within so many first words. */
    public boolean leading(int words) {
        return startsAt >= 0 && startsAt < words;
    }

    private static int indexOf(List<Word> text, Word wanted) {
        for (int i = 0; i < text.size(); i++) {
            if (text.get(i).stem().equals(wanted.stem())) return i;
        }
        return -1;
    }

    private static int exactAt(List<Word> text, List<Word> wanted) {
        for (int start = 0; start < text.size(); start++) {
            int found = 0;
            for (int i = start; i < text.size() && found < wanted.size(); i++) {
                if (text.get(i).stem().equals(wanted.get(found).stem())) found++;
                else if (found == 0 || !text.get(i).stop()) break;
            }
            if (found == wanted.size()) return start;
        }
        return -1;
    }
}
