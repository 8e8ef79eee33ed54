package lucidsweep.server.release;

import com.carrotsearch.hppc.LongHashSet;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.ThreeWay;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.web.Refusal;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** Looks after every sweep what became of the texts that were delivered: live, otherwise, not yet, changed back, gone. */
@Service
class LiveWatch {

    private static final int CHUNK = 500;
    private static final int SHOWN = 500;

    private final LiveMapper mapper;
    private final ReleaseMapper releases;
    private final Clients clients;
    private final Drafts drafts;
    private final Sweeps sweeps;

    LiveWatch(LiveMapper mapper, ReleaseMapper releases, Clients clients, Drafts drafts, Sweeps sweeps) {
        this.mapper = mapper;
        this.releases = releases;
        this.clients = clients;
        this.drafts = drafts;
        this.sweeps = sweeps;
    }

    /** Before those who ask what is live. */
    @EventListener
    @Order(Ordered.HIGHEST_PRECEDENCE)
    void sweepEnded(SweepEnded sweep) {
        // What was delivered anew since is looked for in the later handover only.
        LongHashSet later = new LongHashSet();
        for (Handover handover : releases.ofProperty(sweep.propertyId())) look(handover, later);
    }

    private void look(Handover handover, LongHashSet later) {
        IdRange lines = LineIds.of(handover.id());
        long after = lines.first() - 1;
        for (List<LiveMapper.Delivered> some = mapper.delivered(after, lines.last(), CHUNK);
                !some.isEmpty();
                some = mapper.delivered(after, lines.last(), CHUNK)) {
            after = some.get(some.size() - 1).id();
            List<LiveMapper.Delivered> last = some.stream()
                    .filter(text -> later.add(FieldId.of(text.itemId(), text.field())))
                    .toList();
            Map<Field, Map<Long, String>> captured = captured(last);
            List<LiveMapper.Seen> seen = new ArrayList<>();
            for (LiveMapper.Delivered text : last) {
                String now = captured.get(text.field()).get(text.itemId());
                LiveState state = text.field() == Field.SLUG ? slug(text) : state(text, now);
                if (state == null || state == text.live()) continue;
                seen.add(new LiveMapper.Seen(text.id(), state.toString()));
            }
            if (!seen.isEmpty()) mapper.see(Columns.of(seen));
        }
    }

    private Map<Field, Map<Long, String>> captured(List<LiveMapper.Delivered> texts) {
        Map<Field, List<Long>> ids = new EnumMap<>(Field.class);
        for (LiveMapper.Delivered text : texts)
            ids.computeIfAbsent(text.field(), any -> new ArrayList<>()).add(text.itemId());
        Map<Field, Map<Long, String>> captured = new EnumMap<>(Field.class);
        ids.forEach((field, of) -> captured.put(
                field,
                drafts.fields(of.stream().mapToLong(Long::longValue).toArray(), field).stream()
                        .collect(Collectors.toMap(FieldLine::itemId, FieldLine::captured))));
        return captured;
    }

    private static LiveState state(LiveMapper.Delivered text, String now) {
        if (text.gone()) return LiveState.GONE;
        if (now == null) return null;
        return switch (ThreeWay.of(text.before(), now, text.after())) {
            case IN_PLACE -> LiveState.LIVE;
            case FREE -> wasLive(text) ? LiveState.CHANGED_BACK : LiveState.NOT_YET;
            case CHANGED -> wasLive(text) ? LiveState.CHANGED_BACK : LiveState.OTHERWISE;
        };
    }

    private static boolean wasLive(LiveMapper.Delivered text) {
        return text.live() == LiveState.LIVE || text.live() == LiveState.CHANGED_BACK;
    }

    /** A page with a new slug is another page: the old one is gone once it is in place. */
    private static LiveState slug(LiveMapper.Delivered text) {
        if (text.gone()) return LiveState.LIVE;
        return wasLive(text) ? LiveState.CHANGED_BACK : LiveState.NOT_YET;
    }

    /** How many texts of each handover of a property the last sweeps saw in which state. */
    Map<Long, Map<LiveState, Integer>> counts(long propertyId) {
        Map<Long, Map<LiveState, Integer>> counts = new HashMap<>();
        for (LiveMapper.Count count : mapper.counts(propertyId)) {
            if (count.live() == null) continue;
            counts.computeIfAbsent(count.handoverId(), any -> new EnumMap<>(LiveState.class))
                    .put(count.live(), count.texts());
        }
        return counts;
    }

    /**
     * A text that was delivered.
     *
     * @param now what is there
     * @param since when it was seen so first
     */
    record LiveText(long itemId, String address, Field field, String before, String after, String now, Instant since) {}

    /** The first texts of a handover in a state. */
    List<LiveText> texts(long handoverId, LiveState live) {
        List<LiveMapper.Looked> texts = mapper.texts(LineIds.of(handoverId), live, SHOWN);
        Map<Long, FieldLine> captured = drafts.fields(texts.stream()
                .map(text -> FieldId.of(text.itemId(), text.field()))
                .toList());
        return texts.stream()
                .map(text -> {
                    FieldLine line = captured.get(FieldId.of(text.itemId(), text.field()));
                    String now = line == null ? "" : line.captured();
                    return new LiveText(
                            text.itemId(),
                            text.address(),
                            text.field(),
                            text.before(),
                            text.after(),
                            now,
                            text.since());
                })
                .toList();
    }

    /** Sweeps the pages of a handover again. */
    Sweep sweep(Handover handover) {
        if (clients.property(handover.propertyId()).kind() != PropertyKind.WEBSITE) {
            throw Refusal.badInput(
                    "only pages can be swept again; import the listings or videos once more under Gather");
        }
        List<String> addresses = mapper.addresses(LineIds.of(handover.id()), CrawlSettings.LONGEST_LIST + 1);
        if (addresses.isEmpty()) throw Refusal.conflict("No text of this release has arrived yet.");
        if (addresses.size() > CrawlSettings.LONGEST_LIST) {
            throw Refusal.conflict("These are more than 20,000 pages; sweep the whole site under Gather.");
        }
        return sweeps.startOf(handover.propertyId(), addresses);
    }
}
