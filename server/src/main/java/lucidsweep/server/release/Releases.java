package lucidsweep.server.release;

import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.Predicate;
import java.util.function.ToIntBiFunction;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemView;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.web.Conflict;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Moves drafts on: approved, sent back, handed over; and records what was handed over. */
@Service
public class Releases {

    private static final int AT_ONCE = 500;
    private static final Set<DraftState> DECISIONS =
            EnumSet.of(DraftState.APPROVED, DraftState.SENT_BACK, DraftState.DRAFTED);

    private final ReleaseMapper mapper;
    private final Drafts drafts;
    private final Items items;
    private final Clients clients;
    private final HandoverFormats formats;
    private final TransactionTemplate transaction;
    private final PropertyLine line;
    private final HandoverFiles files;

    Releases(
            ReleaseMapper mapper,
            Drafts drafts,
            Items items,
            Clients clients,
            HandoverFormats formats,
            TransactionTemplate transaction,
            PropertyLine line,
            HandoverFiles files) {
        this.mapper = mapper;
        this.drafts = drafts;
        this.items = items;
        this.clients = clients;
        this.formats = formats;
        this.transaction = transaction;
        this.line = line;
        this.files = files;
    }

    /**
     * What was decided.
     *
     * @param texts how many drafts moved on
     * @param left how many stayed, since what was decided does not go with their state
     */
    record Decided(int texts, int left) {}

    /**
     * Approves drafts, sends them back or opens them again.
     *
     * @param fields null or empty for all
     * @param asOf the revision of the property that the person looked at; null to decide whatever is there now
     * @throws Refusal with the texts in question where some were changed since that revision
     */
    Decided decide(long propertyId, Selection selection, List<Field> fields, DraftState state, Long asOf) {
        if (!DECISIONS.contains(state)) {
            throw Refusal.badInput("expected approved, sent-back or drafted, got \"" + state + "\"");
        }
        List<Field> meant = fields == null || fields.isEmpty() ? FieldId.FIELDS : fields;
        return line.get(propertyId, "deciding about drafts", () -> {
            long[] ids = selection.resolve(propertyId, items);
            if (asOf != null) refuseChangedMeanwhile(ids, meant, asOf);
            Decided decided = transaction.execute(status -> {
                int moved = 0;
                int drafted = 0;
                for (Field field : meant) {
                    drafted += drafts.count(ids, field);
                    moved += drafts.move(ids, field, state);
                }
                return new Decided(moved, drafted - moved);
            });
            items.changed(propertyId, Arrays.stream(ids).boxed().toList());
            return decided;
        });
    }

    private void refuseChangedMeanwhile(long[] ids, List<Field> fields, long asOf) {
        List<Conflict> conflicts = new ArrayList<>();
        for (Field field : fields) {
            for (FieldLine text : drafts.changedAfter(ids, field, asOf)) {
                conflicts.add(new Conflict(text.itemId(), "", field, null, text.text(), null));
            }
        }
        items.refuseChangedMeanwhile(conflicts);
    }

    /**
     * Hands over approved drafts: records them, keeps the file as it is delivered, and moves them on.
     *
     * @param selection null for all that are approved
     */
    Handover handOver(long propertyId, Selection selection, String format, String name, String reason) {
        HandoverFormat shape = formats.find(format);
        Property property = clients.property(propertyId);
        shape.objection(property).ifPresent(why -> {
            throw Refusal.conflict(why);
        });
        Order order = new Order(
                "a handover",
                shape,
                field -> shape.holds(property, field),
                "A file of this format has no place for any of the approved drafts.",
                drafts::deliver,
                name,
                reason);
        return record(property, selection, order, handover -> {});
    }

    /**
     * Puts approved drafts into a release that is pushed: they are recorded as they are, and are delivered as they arrive.
     *
     * @param selection null for all that are approved
     * @param fields that can be pushed
     * @param then what else is recorded with it, in the same transaction
     */
    public Handover release(
            long propertyId,
            Selection selection,
            Set<Field> fields,
            String name,
            String reason,
            Consumer<Handover> then) {
        Order order = new Order(
                "a release",
                formats.find("csv"),
                fields::contains,
                "The content system has no place for any of the approved drafts.",
                drafts::release,
                name,
                reason);
        return record(clients.property(propertyId), selection, order, then);
    }

    /**
     * What is delivered, and how.
     *
     * @param says what is at work, for those that have to wait
     * @param without what is said where nothing can be delivered so
     * @param move moves drafts on and says how many it moved
     */
    private record Order(
            String says,
            HandoverFormat format,
            Predicate<Field> holds,
            String without,
            ToIntBiFunction<List<FieldLine>, Long> move,
            String name,
            String reason) {}

    private Handover record(Property property, Selection selection, Order order, Consumer<Handover> then) {
        return line.get(property.id(), order.says, () -> {
            long[] ids = items.ids(ItemView.of(property.id(), ItemFilter.ofState(DraftState.APPROVED)));
            if (selection != null) {
                long[] wanted = selection.resolve(property.id(), items);
                Arrays.sort(wanted);
                ids = Arrays.stream(ids)
                        .filter(id -> Arrays.binarySearch(wanted, id) >= 0)
                        .toArray();
            }
            Arrays.sort(ids);
            long[] approved = ids;
            Handover made = transaction.execute(status -> {
                Handover handover = record(property, order, approved);
                then.accept(handover);
                return handover;
            });
            items.changed(property.id(), Arrays.stream(approved).boxed().toList());
            return made;
        });
    }

    private Handover record(Property property, Order order, long[] ids) {
        ReleaseMapper.Key key = new ReleaseMapper.Key();
        Set<Long> handed = new HashSet<>();
        int texts = 0;
        mapper.insert(key, property.id(), order.format.code(), order.name, order.reason);
        Map<Field, long[]> approvedOf = drafts.inState(
                property.id(), EnumSet.of(DraftState.APPROVED), item -> Arrays.binarySearch(ids, item) >= 0);
        if (approvedOf.isEmpty()) throw Refusal.conflict("No draft is approved, so there is nothing to deliver.");
        for (Map.Entry<Field, long[]> each : approvedOf.entrySet()) {
            Field field = each.getKey();
            if (!order.holds.test(field)) continue;
            long[] of = each.getValue();
            for (int start = 0; start < of.length; start += AT_ONCE) {
                List<FieldLine> approved =
                        drafts.fields(Arrays.copyOfRange(of, start, Math.min(of.length, start + AT_ONCE)), field);
                if (order.move.applyAsInt(approved, key.id) != approved.size()) {
                    throw Refusal.conflict(
                            "Drafts were changed while they were being delivered, so nothing was delivered. Try again.");
                }
                ManyRows.each(
                        approved.stream()
                                .map(text -> new ReleaseMapper.LineValues(
                                        key.id, text.itemId(), field, text.captured(), text.text()))
                                .toList(),
                        mapper::insertLines);
                approved.forEach(text -> handed.add(text.itemId()));
                texts += approved.size();
            }
        }
        if (texts == 0) throw Refusal.conflict(order.without);
        mapper.setCounts(key.id, handed.size(), texts);
        Handover handover = mapper.find(key.id);
        files.keep(handover);
        return handover;
    }

    public List<Handover> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId);
    }

    /** The formats that a property can be delivered in, in the order in which they are offered. */
    List<HandoverFormat> formats(long propertyId) {
        return formats.of(clients.property(propertyId));
    }

    /** The lines of a handover of a website, for a sitemap. */
    HandoverLines linesForSitemap(long id) {
        Handover handover = find(id);
        if (clients.propertyOrRemoved(handover.propertyId()).kind() != PropertyKind.WEBSITE) {
            throw Refusal.badInput("only pages of a website stand in a sitemap");
        }
        if (handover.items() > ChangedSitemap.MOST_PAGES) {
            throw Refusal.conflict("a sitemap holds at most 50,000 pages, and this delivery changed "
                    + Counted.of(handover.items(), "page") + "; the other files of it name them all");
        }
        return new HandoverLines(mapper, handover);
    }

    public Handover find(long id) {
        Handover handover = mapper.find(id);
        if (handover == null) throw Refusal.notFound("there is no handover " + id);
        return handover;
    }

    void write(Handover handover, OutputStream out) throws IOException {
        files.write(handover, out);
    }
}
