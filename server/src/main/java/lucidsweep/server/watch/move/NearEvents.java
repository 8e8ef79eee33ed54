package lucidsweep.server.watch.move;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.compare.Change;
import lucidsweep.server.compare.PageChanges;
import lucidsweep.server.gather.imports.Reports;
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

    /**
     * What happened near a day.
     *
     * @param items that moved
     * @param query that moved; "" where items did
     * @param ownHost the property's host; "" where it has none
     */
    List<NearEvent> of(long propertyId, LocalDate day, Set<Long> items, String query, String ownHost) {
        List<NearEvent> events = new ArrayList<>(released(propertyId, day, items));
        // Of many items some always change; only what changed on one of a few tells anything.
        if (!items.isEmpty() && items.size() <= FEW) {
            for (PageChanges.SeenChange seen :
                    changes.of(propertyId, items, day.minusDays(DAYS_BEFORE), day.plusDays(DAYS_AFTER)))
                events.add(changed(seen));
        }
        if (!query.isEmpty()) events.addAll(rivals(propertyId, day, query, ownHost));
        events.sort(Comparator.comparing(NearEvent::day).reversed());
        return events;
    }

    private List<NearEvent> released(long propertyId, LocalDate day, Set<Long> items) {
        Map<Long, Long> texts = live.live(propertyId).stream()
                .filter(text -> items.isEmpty() || items.contains(text.itemId()))
                .collect(Collectors.groupingBy(LiveText::handoverId, Collectors.counting()));
        List<NearEvent> events = new ArrayList<>();
        for (Handover handover : releases.ofProperty(propertyId)) {
            LocalDate delivered = day(handover.created());
            Long count = texts.get(handover.id());
            if (count == null || delivered.isBefore(day.minusDays(DAYS_BEFORE)) || delivered.isAfter(day.plusDays(7)))
                continue;
            String name = handover.name().isEmpty() ? "A release" : "“" + handover.name() + "”";
            String what = name + " with " + Counted.of(count.intValue(), "text") + (items.isEmpty() ? "" : " of these");
            events.add(new NearEvent("release", delivered.toString(), what, handover.id()));
        }
        return events;
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
                .map(Change.FieldChange::field)
                .toList();
        String what = undrafted.isEmpty() ? "its copy or links" : String.join(", ", undrafted);
        return new NearEvent("page", day, "somebody changed " + what + " on the page", change.itemId());
    }

    /** Rivals that are new among the results, or have another title than in the list before. */
    private List<NearEvent> rivals(long propertyId, LocalDate day, String query, String ownHost) {
        TreeMap<String, List<Reports.Result>> looks = new TreeMap<>(
                reports.looks(propertyId, query).stream().collect(Collectors.groupingBy(Reports.Result::looked)));
        Map.Entry<String, List<Reports.Result>> after =
                looks.ceilingEntry(day.minusDays(DAYS_AFTER).toString());
        Map.Entry<String, List<Reports.Result>> before = after == null ? null : looks.lowerEntry(after.getKey());
        if (before == null || after.getKey().compareTo(day.plusDays(DAYS_BEFORE).toString()) > 0) return List.of();
        Map<String, String> titles = new HashMap<>();
        for (Reports.Result result : before.getValue()) titles.put(result.address(), result.title());
        return after.getValue().stream()
                .filter(result -> !PageAddress.host(result.address()).equals(ownHost))
                .filter(result -> !result.title().equals(titles.get(result.address())))
                .limit(MOST_RIVALS)
                .map(result -> new NearEvent(
                        "rival",
                        after.getKey(),
                        (titles.containsKey(result.address()) ? "a rival's new title: “" : "a new rival: “")
                                + result.title() + "”",
                        null))
                .toList();
    }

    private static LocalDate day(Instant moment) {
        return LocalDate.ofInstant(moment, ZoneId.systemDefault());
    }
}
