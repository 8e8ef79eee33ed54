package lucidsweep.server.triage;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import lucidsweep.server.item.table.FindingLives;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Component;

/** Says what became of findings since each of the last sweeps. */
@Component
class LifeSinceSweeps {

    private final LifeMapper mapper;
    private final Checklist checklist;
    private final Items items;

    LifeSinceSweeps(LifeMapper mapper, Checklist checklist, Items items) {
        this.mapper = mapper;
        this.checklist = checklist;
        this.items = items;
    }

    /**
     * What became of findings since a sweep.
     *
     * @param sweepId of the sweep; its moment is in seconds since 1970, for filters
     * @param fresh found for the first time since
     * @param back found again after they were fixed
     * @param old there before
     * @param drafted gone by a draft since, and not delivered yet
     * @param delivered gone by a draft that was delivered
     * @param fixed gone otherwise: a sweep saw it mended, or it is let stand
     */
    record LifeView(
            long sweepId,
            Instant swept,
            long moment,
            int fresh,
            int back,
            int old,
            int drafted,
            int delivered,
            int fixed) {}

    /** Since each of them, the latest first. */
    List<LifeView> of(long propertyId) {
        List<LifeMapper.FixedCount> fixed = mapper.fixed(propertyId);
        List<LifeView> views = new ArrayList<>();
        for (SweepCount sweep : checklist.sweeps(propertyId)) views.add(since(propertyId, sweep, fixed));
        Collections.reverse(views);
        return views;
    }

    private LifeView since(long propertyId, SweepCount sweep, List<LifeMapper.FixedCount> fixed) {
        long moment = sweep.swept().getEpochSecond();
        int drafted = 0;
        int delivered = 0;
        int mended = 0;
        for (LifeMapper.FixedCount count : fixed) {
            if (count.atSecond() <= moment) continue;
            if (!count.byDraft()) mended += count.findings();
            else if (count.delivered()) delivered += count.findings();
            else drafted += count.findings();
        }
        FindingLives now = items.lives(propertyId, (int) moment);
        return new LifeView(
                sweep.sweepId(), sweep.swept(), moment, now.fresh(), now.back(), now.old(), drafted, delivered, mended);
    }
}
