package lucidsweep.server.watch.move;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Property;
import lucidsweep.server.compare.Change;
import lucidsweep.server.compare.PageChanges;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.release.Handover;
import lucidsweep.server.release.LiveReleases;
import lucidsweep.server.release.LiveReleases.LiveText;
import lucidsweep.server.release.Releases;
import lucidsweep.server.watch.move.MoveRow.NearEvent;
import lucidsweep.server.web.Counted;
import org.springframework.stereotype.Component;

/** What happened near a move: a release of ours, a change on the page that nobody drafted, a rival that came or changed its title. */
@Component
class NearEvents {

    private static final int DAYS_BEFORE = 28;
    private static final int DAYS_AFTER = 10;
    private static final int WEEK = 7;
    private static final int MOST_RIVALS = 3;
    private static final int FEW = 3;

    private final Releases releases;
    private final LiveReleases live;
    private final PageChanges changes;
    private final Reports reports;

    NearEvents(Releases releases, LiveReleases live, PageChanges changes, Reports reports) {
        this.releases = releases;
        this.live = live;
        this.changes = changes;
        this.reports = reports;
    }

    /** What happened to a property, read once for all of its moves. */
    History of(Property property) {
        return new History(
                property, releases.ofProperty(property.id()), live.live(property.id()), changes.sweeps(property.id()));
    }

    /** What happened to a property. */
    final class History {
        private final Property property;
        private final List<Handover> handovers;
        private final List<LiveText> texts;
        private final List<Sweep> sweeps;

        private History(Property property, List<Handover> handovers, List<LiveText> texts, List<Sweep> sweeps) {
            this.property = property;
            this.handovers = handovers;
            this.texts = texts;
            this.sweeps = sweeps;
        }

        /**
         * What happened near a day, the latest first.
         *
         * @param items that moved
         * @param query that moved; "" where items did
         */
        List<NearEvent> near(LocalDate day, Set<Long> items, String query) {
            List<NearEvent> events = new ArrayList<>(released(day, items));
            // Of many items some always change; only what changed on one of a few tells anything.
            if (!items.isEmpty() && items.size() <= FEW) {
                changes.of(sweeps, items, day.minusDays(DAYS_BEFORE), day.plusDays(DAYS_AFTER))
                        .forEach(seen -> events.add(changed(seen)));
            }
            if (!query.isEmpty()) events.addAll(rivals(property, day, query));
            events.sort(Comparator.comparing(NearEvent::day).reversed());
            return events;
        }

        private List<NearEvent> released(LocalDate day, Set<Long> items) {
            Map<Long, Long> counts = texts.stream()
                    .filter(text -> items.isEmpty() || items.contains(text.itemId()))
                    .collect(Collectors.groupingBy(LiveText::handoverId, Collectors.counting()));
            List<NearEvent> events = new ArrayList<>();
            for (Handover handover : handovers) {
                LocalDate delivered = handover.day();
                Long count = counts.get(handover.id());
                if (count == null
                        || delivered.isBefore(day.minusDays(DAYS_BEFORE))
                        || delivered.isAfter(day.plusDays(WEEK))) continue;
                String what = "“" + handover.title() + "” with " + Counted.of(count.intValue(), "text")
                        + (items.isEmpty() ? "" : " of these");
                events.add(new NearEvent("release", delivered.toString(), what, handover.id()));
            }
            return events;
        }
    }

    private static NearEvent changed(PageChanges.SeenChange seen) {
        Change change = seen.change();
        String day = seen.day().toString();
        if (change.kind() == Change.Kind.GONE)
            return new NearEvent("index", day, "a sweep did not find the item any more", change.itemId());
        if (change.kind() == Change.Kind.MOVED)
            return new NearEvent("index", day, "it leads on to " + change.movedTo(), change.itemId());
        List<String> undrafted = change.fields().stream()
                .filter(field -> !field.drafted())
                .map(field -> named(field.field()))
                .toList();
        String what = undrafted.isEmpty() ? "its copy or links" : String.join(", ", undrafted);
        return new NearEvent("page", day, "somebody changed " + what + " on the page", change.itemId());
    }

    private static String named(String field) {
        return switch (field) {
            case "h1" -> Field.H1.label();
            case "robots" -> "meta robots";
            default -> field;
        };
    }

    /** Rivals that are new among the results, or have another title than in the list before; seen at about that time. */
    private List<NearEvent> rivals(Property property, LocalDate day, String query) {
        String ownHost = PageAddress.host(property.address());
        TreeMap<String, List<Reports.Result>> looks = new TreeMap<>(
                reports.looks(property.id(), query).stream().collect(Collectors.groupingBy(Reports.Result::looked)));
        NavigableMap<String, List<Reports.Result>> near = looks.subMap(
                day.minusDays(DAYS_AFTER).toString(),
                true,
                day.plusDays(DAYS_BEFORE).toString(),
                true);
        return near.entrySet().stream()
                .flatMap(look -> Stream.ofNullable(looks.lowerEntry(look.getKey()))
                        .filter(before -> before.getKey()
                                        .compareTo(day.plusDays(DAYS_AFTER).toString())
                                <= 0)
                        .flatMap(before -> changed(before.getValue(), look.getValue(), ownHost)))
                .limit(MOST_RIVALS)
                .toList();
    }

    /** What rivals made of themselves from one list of results to the next. */
    private static Stream<NearEvent> changed(List<Reports.Result> before, List<Reports.Result> after, String ownHost) {
        Map<String, String> titles = new HashMap<>();
        for (Reports.Result result : before) titles.put(result.address(), result.title());
        return after.stream()
                .filter(result -> !PageAddress.host(result.address()).equals(ownHost))
                .filter(result -> !result.title().equals(titles.get(result.address())))
                .map(result -> new NearEvent(
                        "rival",
                        result.looked(),
                        (titles.containsKey(result.address()) ? "a rival's new title: “" : "a new rival: “")
                                + result.title() + "”",
                        null));
    }
}
