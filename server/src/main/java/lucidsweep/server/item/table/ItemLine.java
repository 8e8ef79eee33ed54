package lucidsweep.server.item.table;

import lucidsweep.core.item.DraftState;
import lucidsweep.core.page.Noindex;

/** An item with its three fields and its target, as one row of the database. */
record ItemLine(
        long id,
        String address,
        String section,
        int status,
        String noindexReason,
        String noindexDetail,
        String h1,
        int h1Count,
        String canonical,
        String robots,
        String price,
        String published,
        Long views,
        Long favourites,
        int depth,
        int linksIn,
        String title,
        String titleDraft,
        DraftState titleState,
        String titleKept,
        String description,
        String descriptionDraft,
        DraftState descriptionState,
        String descriptionKept,
        String tags,
        String tagsDraft,
        DraftState tagsState,
        String tagsKept,
        Long targetItem,
        Long keywordId,
        String keyword,
        Long volume,
        Boolean byHand,
        Double score,
        String reason) {

    /** Why it is not indexable; null where it is. */
    Noindex noindex() {
        return noindexReason == null ? null : new Noindex(Noindex.Reason.of(noindexReason), noindexDetail);
    }
}
