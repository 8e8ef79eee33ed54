package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.server.client.Property;
import lucidsweep.server.release.LiveReleases;
import lucidsweep.server.release.Releases;
import org.springframework.stereotype.Component;

/** Three months after a release what it brought can be told well. */
@Component
class ReleaseReminder implements Reminder {

    private static final int MONTHS = 3;

    private final Releases releases;
    private final LiveReleases live;

    ReleaseReminder(Releases releases, LiveReleases live) {
        this.releases = releases;
        this.live = live;
    }

    @Override
    public List<Due> of(Property property, LocalDate today) {
        Set<Long> withLive = live.live(property.id()).stream()
                .map(LiveReleases.LiveText::handoverId)
                .collect(Collectors.toSet());
        return releases.ofProperty(property.id()).stream()
                .filter(handover -> withLive.contains(handover.id()))
                .map(handover -> Due.of(
                        "release:" + handover.id(),
                        "release",
                        "See what “" + handover.title() + "” brought",
                        handover.day().plusMonths(MONTHS),
                        "watch?view=effects"))
                .toList();
    }
}
