package lucidsweep.server.item.draft;

import java.util.Arrays;
import java.util.List;

/** The ids of fields: four times the item's id and the field's place, so that they need not be looked up. */
public final class FieldId {

    private static final int STEP = 4;
    private static final List<String> NAMES = List.of("title", "description", "tags");

    private FieldId() {}

    /** The id of an item's field; an unknown field is an error. */
    public static long of(long itemId, String field) {
        int place = NAMES.indexOf(field);
        if (place < 0) {
            throw new IllegalArgumentException("expected title, description or tags, got \"" + field + "\"");
        }
        return itemId * STEP + place;
    }

    /** The least id that a field of the item may have. */
    public static long first(long itemId) {
        return itemId * STEP;
    }

    /** The greatest. */
    public static long last(long itemId) {
        return itemId * STEP + STEP - 1;
    }

    /** The item that a field belongs to. */
    public static long item(long fieldId) {
        return fieldId / STEP;
    }

    /** The name of a field. */
    static String name(long fieldId) {
        return NAMES.get(place(fieldId));
    }

    /** The place of a field among those of its item. */
    static int place(long fieldId) {
        return (int) (fieldId % STEP);
    }

    static Object[] of(long[] itemIds, String field) {
        return Arrays.stream(itemIds).mapToObj(id -> of(id, field)).toArray();
    }

    public static Object[] ofAll(Object[] itemIds) {
        return Arrays.stream(itemIds)
                .flatMap(id -> NAMES.stream().map(name -> of((Long) id, name)))
                .toArray();
    }
}
