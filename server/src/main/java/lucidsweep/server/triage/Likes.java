package lucidsweep.server.triage;

import java.util.Map;
import java.util.Optional;
import lucidsweep.core.alike.AlikeIndex;
import lucidsweep.core.alike.AlikeResults;
import lucidsweep.core.alike.Near;
import lucidsweep.core.alike.Series;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.AlikeGroup;

/** Says which other texts of a field a text is like. */
interface Likes {

    /**
     * The texts that a text is like, by the ids of their items.
     *
     * @param same how many items have the same text, this one included
     * @param twin another of them; {@link #NONE} where there is none
     */
    record Like(int same, long twin, Optional<Near> near, Optional<Series> series) {

        static final long NONE = -1;

        static Like of(FieldLine text, AlikeGroup group, Optional<Near> near, Optional<Series> series) {
            if (group == null) return new Like(1, NONE, near, series);
            long twin = group.firstItem() == text.itemId() ? group.lastItem() : group.firstItem();
            return new Like(group.count(), twin, near, series);
        }
    }

    Like of(FieldLine text);

    /** What was found when all texts were looked at. */
    static Likes ofAll(Map<Long, AlikeGroup> groups, AlikeResults found) {
        return text -> Like.of(text, groups.get(text.alike()), found.near(text.itemId()), found.series(text.itemId()));
    }

    /**
     * What is found of a few that have changed.
     *
     * @param near by item
     */
    static Likes ofFew(Map<Long, AlikeGroup> groups, Map<Long, Near> near, AlikeIndex index) {
        return text -> Like.of(
                text,
                groups.get(text.alike()),
                Optional.ofNullable(near.get(text.itemId())),
                index.series(text.text()));
    }
}
