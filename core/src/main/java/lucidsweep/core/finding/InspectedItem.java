package lucidsweep.core.finding;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.Noindex;

/**
 * An item as the rules see it.
 *
 * @param noindex why it is not indexable; empty where it is
 * @param h1Count how many H1 elements the page has; -1 for items that have none by nature, such as listings
 * @param tags null for items that have none by nature, such as pages
 * @param keyword its primary keyword, if any
 * @param kept fields that stay as they are, although a rule may say otherwise
 */
public record InspectedItem(
        Optional<Noindex> noindex,
        Text title,
        Text description,
        int h1Count,
        List<String> tags,
        Optional<Phrase> keyword,
        Set<Field> kept) {

    /**
     * A text in force: the draft where there is one, else what the last sweep captured.
     *
     * @param captured how many such elements the sweep found
     * @param value the text in force; "" where there is none
     * @param language what takes it apart
     * @param alike how many items have the same text, this one included
     * @param twin the address of another of them; "" where there is none
     */
    public record Text(Field field, int captured, String value, Words language, int alike, String twin) {

        public boolean present() {
            return !value.isBlank();
        }

        /** Its words, taken apart anew at every call. */
        List<Word> words() {
            return language.of(value);
        }
    }

    List<Text> texts() {
        return List.of(title, description);
    }
}
