package lucidsweep.server.watch.effect;

import java.util.List;
import lucidsweep.server.release.LiveReleases;
import lucidsweep.server.triage.MendedFaults;
import org.springframework.stereotype.Component;

/** Lets what faults cost be learnt from own releases. */
@Component
class FreedItems implements MendedFaults {

    private final Effects effects;
    private final LiveReleases live;

    FreedItems(Effects effects, LiveReleases live) {
        this.effects = effects;
        this.live = live;
    }

    @Override
    public List<Mended> of(long propertyId) {
        boolean any =
                live.live(propertyId).stream().anyMatch(text -> !text.mended().isEmpty());
        return any ? effects.mended(propertyId) : List.of();
    }
}
