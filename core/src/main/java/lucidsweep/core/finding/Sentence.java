package lucidsweep.core.finding;

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

    /** "2,123". Said of every item of a pattern, so that a formatter would take a tenth of all checking. */
    static String number(int count) {
        StringBuilder digits = new StringBuilder().append(count);
        for (int at = digits.length() - 3; at > 0; at -= 3) digits.insert(at, ',');
        return digits.toString();
    }

    String of(int count, String where) {
        return number(count) + " " + noun + (count == 1 ? "" : "s") + where + " " + (count == 1 ? one : many) + ".";
    }
}
