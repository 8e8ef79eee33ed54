package lucidsweep.core.writer;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Pattern;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;

/** What may be said of an item, since its page says it: its words, its numbers and what they count. */
final class PageWords {

    /** A number counts what stands among so many words behind it, "12 sleek sea kayaks", or before it, "boats, of which 12". */
    private static final int COUNTED_WITHIN = 3;

    private static final Pattern SENTENCE_ENDS = Pattern.compile("[.!?\\n]");
    private static final Pattern PART_ENDS = Pattern.compile("[.!?\\n,;:()]");

    private final Words language;
    private final Set<String> stems = new HashSet<>();
    private final Set<String> small = new HashSet<>();
    private final StringBuilder inOrder = new StringBuilder(" ");
    private final Map<Amount.Kind, Set<String>> amounts = new EnumMap<>(Amount.Kind.class);
    private final Map<String, Set<String>> countedBy = new HashMap<>();

    PageWords(Briefing item, Words language) {
        this.language = language;
        item.texts().values().forEach(this::add);
    }

    private void add(String text) {
        List<Word> words = language.of(text);
        for (Word word : words) {
            stems.add(word.stem());
            if (Character.isLowerCase(word.text().charAt(0))) small.add(word.stem());
            inOrder.append(word.stem()).append(' ');
        }
        // The end of a text is no place where a phrase goes on.
        inOrder.append("\n ");
        for (Amount amount : Amount.in(text, language)) {
            amounts.computeIfAbsent(amount.kind(), any -> new HashSet<>()).add(amount.value());
            counted(amount, words, text)
                    .forEach(stem -> countedBy
                            .computeIfAbsent(stem, any -> new HashSet<>())
                            .add(amount.value()));
        }
    }

    private static List<String> counted(Amount amount, List<Word> words, String text) {
        if (amount.kind() != Amount.Kind.PLAIN || amount.isTime()) return List.of();
        List<String> counted = new ArrayList<>();
        int behind = 0;
        for (int i = 0; i < words.size() && behind < COUNTED_WITHIN; i++) {
            Word word = words.get(i);
            if (word.start() < amount.start()) continue;
            if (word.start() < amount.end()) {
                for (int before = Math.max(0, i - COUNTED_WITHIN); before < i; before++) {
                    // A number may be several words, as "3:15" is.
                    int end = words.get(before).end();
                    if (end <= amount.start() && goesOn(text, end, amount.start(), SENTENCE_ENDS))
                        add(words.get(before), counted);
                }
                continue;
            }
            if (!goesOn(text, amount.end(), word.start(), PART_ENDS)) break;
            add(word, counted);
            behind++;
        }
        return counted;
    }

    private static boolean goesOn(String text, int from, int to, Pattern end) {
        return !end.matcher(text).region(from, to).find();
    }

    private static void add(Word word, List<String> counted) {
        if (!word.stop() && !Character.isDigit(word.text().charAt(0))) counted.add(word.stem());
    }

    boolean has(Word word) {
        return stems.contains(word.stem());
    }

    /** Whether the page writes a word with a small letter somewhere, so that it is no name. */
    boolean writesSmall(Word word) {
        return small.contains(word.stem());
    }

    /** Whether the words of a phrase stand one behind the other. */
    boolean hasPhrase(List<Word> phrase) {
        StringBuilder wanted = new StringBuilder(" ");
        phrase.forEach(word -> wanted.append(word.stem()).append(' '));
        return inOrder.indexOf(wanted.toString()) >= 0;
    }

    /**
     * Whether the page has a number as it is used: forty boats are not covered by forty pounds, and where the page says how many
     * hours it takes, no other number of hours will do.
     *
     * @param text that the number stands in, and its words
     */
    boolean has(Amount amount, String text, List<Word> words) {
        Set<String> same = amounts.getOrDefault(amount.kind(), Set.of());
        if (!same.contains(amount.value())) return false;
        if (amount.kind() != Amount.Kind.PLAIN || amount.isTime()) return true;
        Set<String> numbers = words.stream()
                .filter(word -> word.start() >= amount.end())
                .findFirst()
                .filter(next -> !next.stop() && goesOn(text, amount.end(), next.start(), PART_ENDS))
                .map(next -> countedBy.get(next.stem()))
                .orElse(null);
        return numbers == null || numbers.contains(amount.value());
    }
}
