package lucidsweep.core.keyword;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;

/** The items that keywords fit, kept until something changes that they were found by. */
public final class Fittings {

    private final ItemIndex index;
    private final Map<Integer, Found> known = new ConcurrentHashMap<>();

    public Fittings(ItemIndex index) {
        this.index = index;
    }

    private record Found(long version, List<TargetFinder.Pair> pairs) {}

    /** What was found for a keyword before, or is found now. */
    List<TargetFinder.Pair> of(int keyword, Phrase phrase, Supplier<List<TargetFinder.Pair>> find) {
        Found before = known.get(keyword);
        if (before != null && index.changed(phrase) <= before.version) return before.pairs;
        List<TargetFinder.Pair> now = find.get();
        known.put(keyword, new Found(index.version(), now));
        return now;
    }
}
