package lucidsweep.core.keyword;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The items that keywords fit best, kept so that after some items were changed only those are looked at. */
public final class MatchCache {

    private final ItemIndex index;
    private final Map<Integer, Found> known = new ConcurrentHashMap<>();
    private final Map<Long, int[]> changed = new ConcurrentHashMap<>();
    private long asOf = -1;

    public MatchCache(ItemIndex index) {
        this.index = index;
    }

    private record Found(long version, List<TargetFinder.Pair> pairs) {}

    /** How they are found. */
    interface Finding {
        List<TargetFinder.Pair> anew();

        /** The same with the items that were changed; null where all must be looked at. */
        List<TargetFinder.Pair> with(List<TargetFinder.Pair> before, int[] changedItems);
    }

    List<TargetFinder.Pair> of(int keyword, Phrase phrase, Finding finding) {
        forgetOld();
        Found before = known.get(keyword);
        List<TargetFinder.Pair> now = null;
        if (before != null && index.changed(phrase) <= before.version) {
            int[] items = changed.computeIfAbsent(before.version, index::changedAfter);
            if (items.length == 0) return before.pairs;
            now = finding.with(before.pairs, items);
        }
        if (now == null) now = finding.anew();
        known.put(keyword, new Found(index.version(), now));
        return now;
    }

    private synchronized void forgetOld() {
        if (asOf == index.version()) return;
        asOf = index.version();
        changed.clear();
    }
}
