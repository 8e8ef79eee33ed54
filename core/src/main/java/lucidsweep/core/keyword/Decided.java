package lucidsweep.core.keyword;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** What a person has decided about targets; it stands, whatever is worked out. */
public final class Decided {

    final Set<Long> withoutPrimary = new HashSet<>();
    final Set<Long> clear = new HashSet<>();
    final Set<Integer> keywords = new HashSet<>();
    final Map<Long, Integer> secondaries = new HashMap<>();

    /** A keyword lives with this item. */
    public void home(long item, int keyword, Target.Role role) {
        keywords.add(keyword);
        if (role == Target.Role.PRIMARY) withoutPrimary.add(item);
        else secondaries.merge(item, 1, Integer::sum);
    }

    public boolean hasHome(int keyword) {
        return keywords.contains(keyword);
    }

    /** An item aims at nothing. */
    public void clear(long item) {
        clear.add(item);
    }
}
