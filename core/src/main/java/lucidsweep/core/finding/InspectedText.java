package lucidsweep.core.finding;

import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.TextKey;

/**
 * A text as the checks see it. What is worked out of it is worked out once, when the first check asks for it; not for use by
 * several threads.
 */
public final class InspectedText {

    private final Field field;
    private final int captured;
    private final String value;
    private final Words language;
    private final Alike alike;
    private List<Word> words;
    private String key;
    private int characters = -1;
    private Standard.Width width;
    private PhraseMatch match;

    /**
     * A text in force: the draft where there is one, else what the last sweep captured.
     *
     * @param captured how many such elements the sweep found
     * @param value the text in force; "" where there is none
     * @param language what takes it apart
     * @param alike the texts of other items that it is like
     */
    public InspectedText(Field field, int captured, String value, Words language, Alike alike) {
        this.field = field;
        this.captured = captured;
        this.value = value;
        this.language = language;
        this.alike = alike;
    }

    Field field() {
        return field;
    }

    int captured() {
        return captured;
    }

    String value() {
        return value;
    }

    Words language() {
        return language;
    }

    Alike alike() {
        return alike;
    }

    boolean present() {
        return !value.isBlank();
    }

    List<Word> words() {
        if (words == null) words = language.of(value);
        return words;
    }

    /** What it is compared by, as {@link TextKey#key} gives it. */
    String key() {
        if (key == null) key = TextKey.key(value);
        return key;
    }

    /** How wide it is; always held to the same limits. */
    Standard.Width width(Standard.TextLimits limits) {
        if (width == null) width = limits.width(value);
        return width;
    }

    /** How it holds the keyword of its item; always asked with the same one. */
    PhraseMatch match(Phrase keyword) {
        if (match == null) match = PhraseMatch.of(words(), keyword);
        return match;
    }

    /** Whether any of some characters stands in it; quicker than the search for what they may begin. */
    boolean hasAny(String characters) {
        for (int i = 0; i < characters.length(); i++) if (value.indexOf(characters.charAt(i)) >= 0) return true;
        return false;
    }

    /** Its length in grapheme clusters. */
    int characters() {
        if (characters < 0) characters = Graphemes.count(value);
        return characters;
    }
}
