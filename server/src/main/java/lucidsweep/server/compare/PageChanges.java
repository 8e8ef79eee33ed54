package lucidsweep.server.compare;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStore;
import org.springframework.stereotype.Service;

/** What sweeps saw change on some items around a day. */
@Service
public class PageChanges {

    private static final int MOST = 20;

    private final Comparisons comparisons;
    private final SweepStore sweeps;

    PageChanges(Comparisons comparisons, SweepStore sweeps) {
        this.comparisons = comparisons;
        this.sweeps = sweeps;
    }

    /**
     * A change of an item.
     *
     * @param day on which a sweep saw it first
     * @param sweepBefore, sweepAfter the sweeps between which it changed
     */
    public record SeenChange(Change change, LocalDate day, long sweepBefore, long sweepAfter) {}

    /** The sweeps of a property that saw its items, the earliest first. */
    public List<Sweep> sweeps(long propertyId) {
        return sweeps.ofProperty(propertyId).stream()
                .filter(sweep -> sweep.ofItems() && sweep.state() == Sweep.State.DONE)
                .sorted(Comparator.comparingLong(Sweep::id))
                .toList();
    }

    /**
     * What was seen to change on some items between two days; at most twenty.
     *
     * @param done all {@linkplain #sweeps sweeps} of their property
     */
    public List<SeenChange> of(List<Sweep> done, Set<Long> items, LocalDate from, LocalDate to) {
        List<SeenChange> seen = new ArrayList<>();
        for (int i = 1; i < done.size() && seen.size() < MOST; i++) {
            LocalDate day = day(done.get(i).started());
            if (day.isBefore(from) || day.isAfter(to)) continue;
            long before = done.get(i - 1).id();
            long after = done.get(i).id();
            comparisons
                    .ofItems(done.get(i).propertyId(), before, after, items, MOST)
                    .forEach(change -> seen.add(new SeenChange(change, day, before, after)));
        }
        return seen;
    }

    private static LocalDate day(Instant moment) {
        return LocalDate.ofInstant(moment, ZoneId.systemDefault());
    }
}
