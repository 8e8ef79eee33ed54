package lucidsweep.server.item.table;

import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.FieldLine;

/**
 * The fields of an item that can be drafted.
 *
 * @param tags null where it has none by nature, such as pages
 * @param h1, slug, indexing null where it is no page
 */
public record ItemFields(
        FieldLine title, FieldLine description, FieldLine tags, FieldLine h1, FieldLine slug, FieldLine indexing) {

    public FieldLine of(Field field) {
        return switch (field) {
            case TITLE -> title;
            case DESCRIPTION -> description;
            case TAGS -> tags;
            case H1 -> h1;
            case SLUG -> slug;
            case INDEXING -> indexing;
            default -> throw new IllegalArgumentException("the " + field.label() + " cannot be drafted");
        };
    }

    /** The same with another title or description in force. */
    ItemFields with(Field field, String text) {
        return new ItemFields(
                field == Field.TITLE ? title.with(text) : title,
                field == Field.DESCRIPTION ? description.with(text) : description,
                tags,
                h1,
                slug,
                indexing);
    }
}
