package lucidsweep.core.wording;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/**
 * Tries small changes of a text and offers those that fit and cover more searches: a word instead of another, a word more that
 * joins another keyword, a word or part less that makes room for one, and the parts in another order.
 */
public final class SmallChanges {

    private static final int MOST_KEYWORDS = 60;
    private static final int LEAST_LETTERS = 3;
    private static final Pattern SEPARATOR = Pattern.compile("\\s+[|–—·•-]\\s+|:\\s+");

    private final Reach reach;
    private final Standard.TextLimits limits;
    private final Phrase keyword;
    private final Set<String> ofKeyword = new HashSet<>();
    private final List<List<String>> names = new ArrayList<>();
    private final Set<String> placeWords = new HashSet<>();

    /**
     * Prepares to try.
     *
     * @param keyword that must stay in the text; null for none
     * @param brands, places whose names stay in one piece; a page about one place names no other
     */
    public SmallChanges(
            Reach reach,
            Standard.TextLimits limits,
            Phrase keyword,
            Collection<String> brands,
            Collection<String> places) {
        this.reach = reach;
        this.limits = limits;
        this.keyword = keyword;
        if (keyword != null) keyword.words().forEach(word -> ofKeyword.add(word.stem()));
        brands.forEach(this::addName);
        places.forEach(this::addName);
        places.forEach(place -> placeWords.addAll(reach.stems(place)));
    }

    private void addName(String name) {
        List<String> stems = reach.language().of(name).stream().map(Word::stem).toList();
        if (!stems.isEmpty()) names.add(stems);
    }

    /** The best of them, the one that gains most first; of equal texts one. */
    public List<SmallChange> of(String text, int most) {
        double before = reach.of(text).searches();
        Map<String, SmallChange> tried = new LinkedHashMap<>();
        for (Reach.Known nearly : reach.nearlyCovered(text, MOST_KEYWORDS)) {
            String missing = missing(nearly, text);
            if (missing.length() < LEAST_LETTERS || !isOfItsSubject(nearly, missing)) continue;
            exchange(text, nearly, missing, before, tried);
            insert(text, nearly, missing, before, tried);
        }
        reorder(text, before, tried);
        return tried.values().stream()
                .sorted(Comparator.comparingDouble((SmallChange each) -> -each.gained())
                        .thenComparing(each -> each.text().length())
                        .thenComparing(SmallChange::text))
                .limit(most)
                .toList();
    }

    /** Whether a keyword shares more with the text than a name, and lacks no name: a page about one place names no other. */
    private boolean isOfItsSubject(Reach.Known nearly, String missing) {
        Set<String> lacking = reach.stems(missing);
        return nearly.stems().stream().noneMatch(stem -> lacking.contains(stem) && placeWords.contains(stem))
                && nearly.stems().stream().anyMatch(stem -> !lacking.contains(stem) && !placeWords.contains(stem));
    }

    /** The one word of a keyword that a text lacks, as the keyword has it. */
    private String missing(Reach.Known nearly, String text) {
        Set<String> there = reach.stems(text);
        for (Word word : reach.language().of(nearly.phrase())) {
            if (!word.stop() && !there.contains(word.stem())) return word.text();
        }
        return "";
    }

    /** "rental" instead of "hire": the word that stands where the keyword has its own. */
    private void exchange(
            String text, Reach.Known nearly, String missing, double before, Map<String, SmallChange> tried) {
        List<Word> words = reach.language().of(text);
        boolean[] named = named(words);
        for (int i = 0; i < words.size(); i++) {
            Word word = words.get(i);
            boolean free = !word.stop()
                    && !named[i]
                    && !ofKeyword.contains(word.stem())
                    && !nearly.stems().contains(word.stem());
            boolean beside = i > 0
                            && !named[i - 1]
                            && nearly.stems().contains(words.get(i - 1).stem())
                    || i + 1 < words.size()
                            && !named[i + 1]
                            && nearly.stems().contains(words.get(i + 1).stem());
            if (!free || !beside) continue;
            String cased = Character.isUpperCase(word.text().charAt(0)) ? capital(missing) : missing;
            String changed = text.substring(0, word.start()) + cased + text.substring(word.end());
            offer(changed, "“" + missing + "” instead of “" + word.text() + "”", before, tried);
        }
    }

    /** Which words belong to a name that stands there. */
    private boolean[] named(List<Word> words) {
        boolean[] named = new boolean[words.size()];
        for (List<String> name : names) {
            for (int start = 0; start + name.size() <= words.size(); start++) {
                boolean same = true;
                for (int k = 0; k < name.size() && same; k++)
                    same = words.get(start + k).stem().equals(name.get(k));
                for (int k = 0; k < name.size() && same; k++) named[start + k] = true;
            }
        }
        return named;
    }

    /** "sea kayak hire" of "kayak hire": the missing word where the keyword has it, before or behind one that is there. */
    private void insert(
            String text, Reach.Known nearly, String missing, double before, Map<String, SmallChange> tried) {
        List<Word> wanted = reach.language().of(nearly.phrase()).stream()
                .filter(word -> !word.stop())
                .toList();
        int place = 0;
        while (place < wanted.size() && !wanted.get(place).text().equals(missing)) place++;
        List<Word> words = reach.language().of(text);
        boolean[] named = named(words);
        for (int i = 0; i < words.size(); i++) {
            Word word = words.get(i);
            boolean behind = place > 0 && wanted.get(place - 1).stem().equals(word.stem());
            boolean ahead =
                    place + 1 < wanted.size() && wanted.get(place + 1).stem().equals(word.stem());
            if (named[i] || !ahead && !behind || ahead && parts(words, i - 1) || !ahead && parts(words, i)) continue;
            String changed = ahead
                    ? before(text, word, missing)
                    : text.substring(0, word.end()) + " " + missing + text.substring(word.end());
            String says = "“" + missing + "” added";
            if (fits(changed)) offer(changed, says, before, tried);
            else lessOf(changed, says, before, tried);
            return;
        }
    }

    /** Whether something between a word and the next one would part two words of the keyword that stand side by side. */
    private boolean parts(List<Word> words, int at) {
        return at >= 0
                && at + 1 < words.size()
                && ofKeyword.contains(words.get(at).stem())
                && ofKeyword.contains(words.get(at + 1).stem());
    }

    /** The text with a word before another; the capital that began a sentence goes over to it. */
    private static String before(String text, Word word, String missing) {
        boolean capital = Character.isUpperCase(word.text().charAt(0));
        String shown = capital && startsSentence(text, word.start()) ? lower(word.text()) : word.text();
        return text.substring(0, word.start()) + (capital ? capital(missing) : missing) + " " + shown
                + text.substring(word.end());
    }

    /** Makes room by leaving a part out, from the last one on. */
    private void lessOf(String text, String says, double before, Map<String, SmallChange> tried) {
        Matcher separator = SEPARATOR.matcher(text);
        List<int[]> parts = new ArrayList<>();
        while (separator.find()) parts.add(new int[] {separator.start(), separator.end()});
        if (parts.isEmpty()) return;
        int[] last = parts.get(parts.size() - 1);
        String left = text.substring(last[1]);
        offer(text.substring(0, last[0]), says + ", “" + left + "” left out", before, tried);
    }

    /** The part with the keyword first, where it covers as much and the keyword leads. */
    private void reorder(String text, double before, Map<String, SmallChange> tried) {
        Matcher separator = SEPARATOR.matcher(text);
        if (keyword == null || !separator.find()) return;
        String first = text.substring(0, separator.start());
        String rest = text.substring(separator.end());
        Words language = reach.language();
        boolean leads = PhraseMatch.of(language.of(first), keyword).missing().isEmpty();
        if (leads || !PhraseMatch.of(language.of(rest), keyword).missing().isEmpty()) return;
        String changed = capital(rest) + separator.group() + first;
        if (fits(changed)) {
            double gained = reach.of(changed).searches() - before;
            tried.putIfAbsent(changed, new SmallChange(changed, "the keyword’s part first", gained));
        }
    }

    private void offer(String text, String says, double before, Map<String, SmallChange> tried) {
        if (!fits(text) || repeats(text)) return;
        if (!keepsKeyword(text)) return;
        double gained = reach.of(text).searches() - before;
        if (gained <= 0) return;
        SmallChange change = new SmallChange(text, says, gained);
        tried.merge(text, change, (a, b) -> a.gained() >= b.gained() ? a : b);
    }

    private boolean keepsKeyword(String text) {
        return keyword == null
                || PhraseMatch.of(reach.language().of(text), keyword).present();
    }

    private boolean fits(String text) {
        return limits.fits(text, Graphemes.count(text));
    }

    /** No word may stand twice after a change. */
    private boolean repeats(String text) {
        Set<String> said = new HashSet<>();
        for (Word word : reach.language().of(text)) if (!word.stop() && !said.add(word.stem())) return true;
        return false;
    }

    private static boolean startsSentence(String text, int at) {
        String ahead = text.substring(0, at).stripTrailing();
        return ahead.isEmpty() || ".!?:|–".indexOf(ahead.charAt(ahead.length() - 1)) >= 0;
    }

    private static String capital(String word) {
        int first = word.codePointAt(0);
        return Character.toString(Character.toTitleCase(first)) + word.substring(Character.charCount(first));
    }

    private static String lower(String word) {
        return word.substring(0, 1).toLowerCase(Locale.ROOT) + word.substring(1);
    }
}
