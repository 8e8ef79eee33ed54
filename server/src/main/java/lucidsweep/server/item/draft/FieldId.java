package lucidsweep.server.item.draft;

import java.util.Arrays;
import java.util.List;
import lucidsweep.core.item.Field;

/** The ids of fields: sixteen times the item's id and the field's place, so that they need not be looked up. */
public final class FieldId {

    /** The fields that can be drafted, in the order of their places. */
    public static final List<Field> FIELDS = List.of(
            Field.TITLE,
            Field.DESCRIPTION,
            Field.TAGS,
            Field.H1,
            Field.SLUG,
            Field.INDEXING,
            Field.IMAGES,
            Field.LINKS,
            Field.OG_TITLE,
            Field.OG_DESCRIPTION);

    private static final List<Field> MEASURED = FIELDS.subList(0, 3);
    private static final List<Field> OF_PAGES = FIELDS.subList(3, FIELDS.size());

    /** How far the ids of two items' fields lie apart. */
    public static final int STEP = 16;

    private FieldId() {}

    /** The id of an item's field; one that cannot be drafted is an error. */
    public static long of(long itemId, Field field) {
        int place = FIELDS.indexOf(field);
        if (place < 0) {
            throw new IllegalArgumentException("expected one of " + FIELDS + ", got \"" + field.code() + "\"");
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

    /** The field that an id means. */
    public static Field field(long fieldId) {
        return FIELDS.get((int) (fieldId % STEP));
    }

    static Object[] of(long[] itemIds, Field field) {
        return Arrays.stream(itemIds).mapToObj(id -> of(id, field)).toArray();
    }

    /** The ids of all fields of items. */
    public static Object[] ofAll(Object[] itemIds) {
        return of(itemIds, FIELDS);
    }

    /** The ids of the fields that tables sort and group by what they say; {@link TextMeasure} measures no others. */
    public static Object[] ofMeasured(Object[] itemIds) {
        return of(itemIds, MEASURED);
    }

    /** The ids of the fields that only pages have. */
    public static Object[] ofPages(Object[] itemIds) {
        return of(itemIds, OF_PAGES);
    }

    private static Object[] of(Object[] itemIds, List<Field> fields) {
        return Arrays.stream(itemIds)
                .flatMap(id -> fields.stream().map(field -> of((Long) id, field)))
                .toArray();
    }
}
