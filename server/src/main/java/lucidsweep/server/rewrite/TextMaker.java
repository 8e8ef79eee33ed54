package lucidsweep.server.rewrite;

import java.util.List;
import java.util.Map;
import lucidsweep.core.compose.Composition;

/** Makes new texts of some items, each for itself. Used by many threads. */
interface TextMaker {

    /**
     * What becomes of the items.
     *
     * @param ids in ascending order
     */
    List<MadeText> of(long[] ids);

    /**
     * Called once before all others, where the items have to be looked at together.
     *
     * @param selected all that will be asked for, in ascending order
     */
    default void begin(long[] selected) {}

    /** What there is to say of all together, once they were made; null for nothing. */
    default String says() {
        return null;
    }

    /** What was left out of the texts of some items, by item. */
    default Map<Long, List<Composition.LeftOut>> leftOut(long[] ids) {
        return Map.of();
    }
}
