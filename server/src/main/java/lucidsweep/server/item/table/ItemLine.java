package lucidsweep.server.item.table;

import jakarta.annotation.Nullable;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.page.Noindex;

/** An item with its three fields and its target, as one row of the database. */
record ItemLine(
        long id,
        String address,
        String section,
        ItemRow.Page page,
        ItemRow.Listing listing,
        String noindexReason,
        String noindexDetail,
        Text title,
        Text description,
        @Nullable Text tags,
        @Nullable ItemRow.Aim aim) {

    /** A text as {@link lucidsweep.core.item.ItemText} has it. */
    record Text(String captured, String draft, DraftState state, String kept) {}

    /** Why it is not indexable; null where it is. */
    Noindex noindex() {
        return noindexReason == null ? null : new Noindex(Noindex.Reason.of(noindexReason), noindexDetail);
    }
}
