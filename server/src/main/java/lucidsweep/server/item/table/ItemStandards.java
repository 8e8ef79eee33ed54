package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Function;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.standard.StandardForm;

/** What items are held to, with the sets that they belong to. Safe for use by many threads. */
public final class ItemStandards {

    private final Standard base;
    private final List<String> names;
    private final List<StandardForm> forms;
    private final Function<long[], long[]> memberships;

    /** One for each combination of sets, so that equal ones are the same object. */
    private final Map<Long, Standard> known = new ConcurrentHashMap<>();

    ItemStandards(Standard base, List<String> names, List<StandardForm> forms, Function<long[], long[]> memberships) {
        this.base = base;
        this.names = names;
        this.forms = forms;
        this.memberships = memberships;
    }

    /** What holds for items that belong to no set. */
    public Standard base() {
        return base;
    }

    /** Whether any item may be held to a check. */
    public boolean uses(String checkId) {
        return !base.off().contains(checkId)
                || forms.stream()
                        .anyMatch(form -> form.off() != null && !form.off().contains(checkId));
    }

    /** Looks up some items. */
    public Held held(long[] ids) {
        Map<Long, Long> sets = new HashMap<>();
        if (!forms.isEmpty()) {
            long[] found = memberships.apply(ids);
            for (int i = 0; i < ids.length; i++) if (found[i] != 0) sets.put(ids[i], found[i]);
        }
        return new Held(sets);
    }

    /** What some items are held to. */
    public final class Held {
        private final Map<Long, Long> sets;

        private Held(Map<Long, Long> sets) {
            this.sets = sets;
        }

        /** What an item is held to; the same object for all items of the same sets. */
        public Standard standard(long id) {
            return known.computeIfAbsent(sets.getOrDefault(id, 0L), ItemStandards.this::combined);
        }

        /** The sets whose standards go before the property's, the first one first. */
        List<String> names(long id) {
            long own = sets.getOrDefault(id, 0L);
            List<String> found = new ArrayList<>();
            for (int set = 0; set < names.size(); set++) if ((own & 1L << set) != 0) found.add(names.get(set));
            return found;
        }
    }

    private Standard combined(long sets) {
        Standard combined = base;
        for (int set = forms.size() - 1; set >= 0; set--) {
            if ((sets & 1L << set) != 0) combined = forms.get(set).over(combined);
        }
        return combined;
    }
}
