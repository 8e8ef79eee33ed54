package lucidsweep.server.item.table;

import lucidsweep.core.finding.Inbound;
import lucidsweep.core.finding.PageNotes;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Noindex;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.draft.Seen;

/**
 * An item as rules, recipes and the search for targets need it.
 *
 * @param keyword the keyword it aims at; null where it has none
 * @param notes what was noted of its markup, and of what its site says of it where that is asked for
 * @param inbound how other pages link to it; nothing unless asked for
 * @param captured all of it; null unless asked for
 */
public record ItemDetail(
        long id,
        String address,
        Noindex noindex,
        String section,
        Seen seen,
        ItemFields fields,
        String keyword,
        PageNotes notes,
        Inbound inbound,
        Captured captured) {

    /**
     * All that a sweep saw of it.
     *
     * @param facts the capture as JSON; null where it came from a file
     * @param copy the visible text, packed; null likewise
     * @param linkTexts the texts of links to it
     */
    public record Captured(String facts, byte[] copy, String linkTexts) {}

    /** Whether it is the same page as another, at a variant of its address. */
    public boolean isTwin() {
        return noindex != null && noindex.reason() == Noindex.Reason.SAME_PAGE;
    }

    /** The same with another title or description in force. */
    public ItemDetail with(Field field, String text) {
        return new ItemDetail(
                id, address, noindex, section, seen, fields.with(field, text), keyword, notes, inbound, captured);
    }

    /** The same as if nothing were drafted for it. */
    public ItemDetail withoutDrafts() {
        return new ItemDetail(
                id, address, noindex, section, seen, fields.withoutDrafts(), keyword, notes, inbound, captured);
    }

    public FieldLine title() {
        return fields.of(Field.TITLE);
    }

    public FieldLine description() {
        return fields.of(Field.DESCRIPTION);
    }

    /** Null where the item has none by nature. */
    public FieldLine tags() {
        return fields.of(Field.TAGS);
    }

    /** A field of it; null where the item has none such. */
    public FieldLine field(Field field) {
        return fields.of(field);
    }

    /** What is drafted for a field; null for nothing. */
    public String draft(Field field) {
        return fields.draft(field);
    }

    /** Whether a field stays as it is. */
    public boolean isKept(Field field) {
        return fields.isKept(field);
    }
}
