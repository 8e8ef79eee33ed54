package lucidsweep.server.rewrite.sheet;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.server.web.Refusal;

/**
 * The columns of a writers' sheet: the item's number, its address and keyword, and for each field what it says now and, beside
 * it, what the writer makes of it.
 *
 * @param item the place of the item's number
 * @param places the places of a field's text now and of the new one
 */
record SheetHeader(int item, Map<Field, Places> places) {

    /** The fields that people write in a sheet. */
    static final List<Field> FIELDS = List.of(Field.TITLE, Field.DESCRIPTION, Field.TAGS, Field.H1);

    static final String ITEM = "item";
    static final String NOW = " now";
    static final String NEW = " new";

    /** Where a field stands. */
    record Places(int now, int after) {}

    /** The names of the columns for some fields. */
    static List<String> names(List<Field> fields) {
        List<String> names = new ArrayList<>(List.of(ITEM, "address", "keyword"));
        for (Field field : fields) {
            names.add(field.label() + NOW);
            names.add(field.label() + NEW);
            if (isMeasured(field)) names.addAll(List.of("characters left", "px left"));
        }
        return names;
    }

    static boolean isMeasured(Field field) {
        return field == Field.TITLE || field == Field.DESCRIPTION;
    }

    /**
     * Reads the names of the columns of a sheet that came back.
     *
     * @throws Refusal that says which column is missing
     */
    static SheetHeader of(List<String> names) {
        Map<String, Integer> at = new LinkedHashMap<>();
        for (int i = 0; i < names.size(); i++)
            at.putIfAbsent(names.get(i).strip().toLowerCase(Locale.ROOT), i);
        Integer item = at.get(ITEM);
        if (item == null) throw missing(ITEM, names);
        Map<Field, Places> places = new LinkedHashMap<>();
        for (Field field : FIELDS) {
            String name = field.label().toLowerCase(Locale.ROOT);
            Integer after = at.get(name + NEW);
            if (after == null) continue;
            Integer now = at.get(name + NOW);
            if (now == null) throw missing(field.label() + NOW, names);
            places.put(field, new Places(now, after));
        }
        if (places.isEmpty()) throw missing(Field.TITLE.label() + NEW, names);
        return new SheetHeader(item, places);
    }

    private static Refusal missing(String column, List<String> names) {
        return Refusal.badInput("expected a column “" + column + "”, as the sheet had when it went out; got "
                + String.join(", ", names));
    }
}
