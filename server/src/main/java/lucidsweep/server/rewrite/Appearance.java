package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Cut;

/**
 * How a text will look on a result page.
 *
 * @param desktop its lines there, cut where it will be cut
 * @param keyword the words of the keyword that count, and whether it has them
 * @param lacks those that it lacks
 */
record Appearance(
        LimitCheck fit,
        List<Line> desktop,
        List<Line> phone,
        boolean cutOnDesktop,
        boolean cutOnPhone,
        List<KeywordWord> keyword,
        List<String> lacks) {

    private static final String BETWEEN = " — ";

    /** A word of the keyword, as the keyword has it. */
    record KeywordWord(String text, boolean present) {}

    /** A line, in pieces; the keyword's words are marked. */
    record Line(List<Piece> pieces) {}

    record Piece(String text, boolean marked) {}

    static Appearance of(String text, Standard.TextLimits limits, Words words, Phrase keyword) {
        return of("", text, limits, words, keyword);
    }

    /**
     * The same with a date before the text, as result pages show it: it takes room from the text, which is held to its limits
     * without it.
     *
     * @param date as it is shown; "" for none
     */
    static Appearance of(String date, String text, Standard.TextLimits limits, Words words, Phrase keyword) {
        String shown = date.isBlank() ? text : date + BETWEEN + text;
        Cut desktop = Cut.of(shown, limits.desktop());
        Cut phone = Cut.of(shown, limits.phone());
        Set<String> stems = keyword == null
                ? Set.of()
                : keyword.words().stream().map(Word::stem).collect(Collectors.toSet());
        List<String> lacks = keyword == null
                ? List.of()
                : PhraseMatch.of(words.of(text), keyword).missing();
        List<KeywordWord> ofKeyword = keyword == null
                ? List.of()
                : keyword.words().stream()
                        .map(word -> new KeywordWord(word.text(), !lacks.contains(word.text())))
                        .toList();
        return new Appearance(
                LimitCheck.of(text, limits),
                desktop.lines().stream().map(line -> marked(line, words, stems)).toList(),
                phone.lines().stream().map(line -> marked(line, words, stems)).toList(),
                desktop.cut(),
                phone.cut(),
                ofKeyword,
                lacks);
    }

    private static Line marked(String line, Words words, Set<String> stems) {
        List<Piece> pieces = new ArrayList<>();
        int from = 0;
        for (Word word : words.of(line)) {
            if (!stems.contains(word.stem())) continue;
            if (word.start() > from) pieces.add(new Piece(line.substring(from, word.start()), false));
            pieces.add(new Piece(line.substring(word.start(), word.end()), true));
            from = word.end();
        }
        if (from < line.length()) pieces.add(new Piece(line.substring(from), false));
        return new Line(pieces);
    }
}
