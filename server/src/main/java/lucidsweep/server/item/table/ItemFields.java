package lucidsweep.server.item.table;

import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.DraftMapper;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.draft.FieldLines;

/** The fields of an item that can be drafted. Those that only pages have are put together when they are asked for, which is seldom. */
final class ItemFields {

    private final DraftMapper.Core core;
    private final FieldLines lines;
    private final FieldLine title;
    private final FieldLine description;
    private final FieldLine tags;

    ItemFields(DraftMapper.Core core, FieldLines lines) {
        this(core, lines, lines.of(core, Field.TITLE), lines.of(core, Field.DESCRIPTION), lines.of(core, Field.TAGS));
    }

    private ItemFields(
            DraftMapper.Core core, FieldLines lines, FieldLine title, FieldLine description, FieldLine tags) {
        this.core = core;
        this.lines = lines;
        this.title = title;
        this.description = description;
        this.tags = tags;
    }

    /** A field; null where the item has none such by nature. */
    FieldLine of(Field field) {
        return switch (field) {
            case TITLE -> title;
            case DESCRIPTION -> description;
            case TAGS -> tags;
            default -> lines.of(core, field);
        };
    }

    /** What is drafted for a field; null for nothing. */
    String draft(Field field) {
        return lines.draft(core.id(), field);
    }

    boolean isKept(Field field) {
        return lines.isKept(core.id(), field);
    }

    /** The same as if nothing were drafted. */
    ItemFields withoutDrafts() {
        return new ItemFields(core, lines.withoutDrafts());
    }

    /** The same with another title or description in force. */
    ItemFields with(Field field, String text) {
        return new ItemFields(
                core,
                lines,
                field == Field.TITLE ? title.with(text) : title,
                field == Field.DESCRIPTION ? description.with(text) : description,
                tags);
    }
}
