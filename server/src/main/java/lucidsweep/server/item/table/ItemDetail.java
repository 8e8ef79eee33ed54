package lucidsweep.server.item.table;

import lucidsweep.core.item.Field;
import lucidsweep.core.page.Noindex;
import lucidsweep.server.item.draft.FieldLine;

/**
 * An item as rules, recipes and the search for targets need it.
 *
 * @param published the day it was published; "" where that is not known
 * @param tags null where the item has none by nature
 * @param keyword the keyword it aims at; null where it has none
 * @param facts the capture as JSON; null unless asked for
 * @param copy the visible text, packed; null unless asked for
 * @param linkTexts the texts of links to it; null unless asked for
 */
public record ItemDetail(
        long id,
        String address,
        Noindex noindex,
        String section,
        String h1,
        int h1Count,
        String opening,
        String price,
        String published,
        FieldLine title,
        FieldLine description,
        FieldLine tags,
        String keyword,
        String facts,
        byte[] copy,
        String linkTexts) {

    /** Whether it is the same page as another, at a variant of its address. */
    public boolean isTwin() {
        return noindex != null && noindex.reason() == Noindex.Reason.SAME_PAGE;
    }

    /** A field of it; null where the item has none such. */
    public FieldLine field(Field field) {
        return switch (field) {
            case TITLE -> title;
            case DESCRIPTION -> description;
            default -> tags;
        };
    }
}
