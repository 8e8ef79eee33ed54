package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import lucidsweep.server.client.Property;
import lucidsweep.server.release.HeldBack;
import lucidsweep.server.release.Releases;
import lucidsweep.server.web.Counted;
import org.springframework.stereotype.Component;

/** Twelve weeks after a release that held some items back: its effect can be told, and they can go, too. */
@Component
class HeldBackReminder implements Reminder {

    private static final int WEEKS = 12;

    private final Releases releases;
    private final HeldBack heldBack;

    HeldBackReminder(Releases releases, HeldBack heldBack) {
        this.releases = releases;
        this.heldBack = heldBack;
    }

    @Override
    public List<Due> of(Property property, LocalDate today) {
        Map<Long, Integer> counts = heldBack.counts(property.id());
        return releases.ofProperty(property.id()).stream()
                .filter(handover -> counts.containsKey(handover.id()))
                .map(handover -> Due.of(
                        "held-back:" + handover.id(),
                        "held-back",
                        "Let go " + Counted.of(counts.get(handover.id()), "item") + " that “" + handover.title()
                                + "” held back",
                        handover.day().plusWeeks(WEEKS),
                        "release"))
                .toList();
    }
}
