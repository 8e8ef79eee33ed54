package lucidsweep.core.keyword;

import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;

/** What a person has decided about targets and topics; it stands, whatever is worked out. */
public final class Decided {

    final Set<Long> withoutPrimary = new HashSet<>();
    final Set<Long> clear = new HashSet<>();
    final Map<Long, Integer> secondaries = new HashMap<>();
    private final Map<Integer, Long> homes = new HashMap<>();
    private final Set<Integer> primary = new HashSet<>();
    private final Map<Integer, String> topics = new HashMap<>();

    /** A keyword lives with this item. */
    public void home(long item, int keyword, Target.Role role) {
        homes.put(keyword, item);
        if (role == Target.Role.PRIMARY) {
            primary.add(keyword);
            withoutPrimary.add(item);
        } else {
            secondaries.merge(item, 1, Integer::sum);
        }
    }

    public boolean hasHome(int keyword) {
        return homes.containsKey(keyword);
    }

    /** The items of keywords whose home is decided. */
    public Map<Integer, Long> homes() {
        return Collections.unmodifiableMap(homes);
    }

    public boolean isPrimary(int keyword) {
        return primary.contains(keyword);
    }

    /** A keyword belongs to the topic of this name. */
    public void topic(int keyword, String name) {
        topics.put(keyword, name);
    }

    /** The topics of keywords that a person put under one, by their place. */
    public Map<Integer, String> topics() {
        return Collections.unmodifiableMap(topics);
    }

    /** An item aims at nothing. */
    public void clear(long item) {
        clear.add(item);
    }
}
