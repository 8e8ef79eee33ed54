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

    private final Checklist checklist;
    private final Items items;

    LifeSinceSweeps(Checklist checklist, Items items) {
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
        List<LifeView> views = new ArrayList<>();
        for (SweepCount sweep : checklist.sweeps(propertyId)) views.add(since(propertyId, sweep));
        Collections.reverse(views);
        return views;
    }

    private LifeView since(long propertyId, SweepCount sweep) {
        long moment = sweep.swept().getEpochSecond();
        FindingLives lives = items.lives(propertyId, (int) moment);
        return new LifeView(
                sweep.sweepId(),
                sweep.swept(),
                moment,
                lives.fresh(),
                lives.back(),
                lives.old(),
                lives.drafted(),
                lives.delivered(),
                lives.fixed());
    }
}
