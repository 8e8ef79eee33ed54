package lucidsweep.core.finding;

import java.util.Locale;
import lucidsweep.core.item.Field;

/**
 * What a check says of the items that it found, of one and of many.
 *
 * @param noun what is counted, for one: "title"
 * @param one what one does: "is cut off"
 * @param many what many do: "are cut off"
 */
record Sentence(String noun, String one, String many) {

    /** Of the items: "2 items have no title". */
    static Sentence ofItems(String one, String many) {
        return new Sentence("item", one, many);
    }

    /** Of the texts of a field: "2 titles are cut off". */
    static Sentence of(Field field, String one, String many) {
        return new Sentence(field.label(), one, many);
    }

    /** "2,123". */
    static String number(int count) {
        return String.format(Locale.UK, "%,d", count);
    }

    String of(int count, String where) {
        return number(count) + " " + noun + (count == 1 ? "" : "s") + where + " " + (count == 1 ? one : many) + ".";
    }
}
