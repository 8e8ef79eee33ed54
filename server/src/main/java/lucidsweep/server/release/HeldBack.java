package lucidsweep.server.release;

import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import lucidsweep.core.item.EvenShare;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Service;

/**
 * Items that a release left as they are, by choice, so that its effect can be told: a random tenth, evenly over the sections.
 * Their drafts stay approved and are not delivered until somebody lets them go.
 */
@Service
public class HeldBack {

    private static final int ONE_IN = 10;

    private final HeldBackMapper mapper;
    private final Items items;

    HeldBack(HeldBackMapper mapper, Items items) {
        this.mapper = mapper;
        this.items = items;
    }

    /** The items of a property that are held back. */
    Set<Long> items(long propertyId) {
        return Set.copyOf(mapper.items(propertyId));
    }

    /** How many items each release of a property holds back; those that hold none are left out. */
    public Map<Long, Integer> counts(long propertyId) {
        Map<Long, Integer> counts = new HashMap<>();
        mapper.counts(propertyId).forEach(count -> counts.put(count.handoverId(), count.items()));
        return counts;
    }

    /** Chooses a tenth of some items; none of fewer than ten. The same seed chooses the same ones. */
    Set<Long> choose(long[] some, long seed) {
        long[] shuffled = some.clone();
        SplittableRandom random = new SplittableRandom(seed);
        for (int i = shuffled.length - 1; i > 0; i--) {
            int other = random.nextInt(i + 1);
            long swapped = shuffled[i];
            shuffled[i] = shuffled[other];
            shuffled[other] = swapped;
        }
        Map<Long, String> sections =
                items.sections(Arrays.stream(shuffled).boxed().toList());
        List<String> groups = Arrays.stream(shuffled)
                .mapToObj(id -> sections.getOrDefault(id, ""))
                .toList();
        Set<Long> chosen = new HashSet<>();
        for (int at : EvenShare.of(groups, some.length / ONE_IN)) chosen.add(shuffled[at]);
        return chosen;
    }

    void hold(long handoverId, long propertyId, Set<Long> held) {
        ManyRows.each(
                held.stream()
                        .sorted()
                        .map(item -> new HeldBackMapper.HeldLine(handoverId, propertyId, item))
                        .toList(),
                mapper::insert);
    }

    /** Lets the items of a release go: the next delivery holds their drafts. Returns how many. */
    int letGo(long handoverId) {
        return mapper.letGo(handoverId);
    }
}
