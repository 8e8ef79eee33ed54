package lucidsweep.server.release;

import java.io.IOException;
import java.io.OutputStream;
import java.net.URI;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Consumer;
import java.util.function.LongPredicate;
import java.util.function.Predicate;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.triage.Estimates;
import lucidsweep.server.triage.FindingsQueue;
import lucidsweep.server.web.Conflict;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Moves drafts on: approved, sent back, handed over; and records what was handed over. */
@Service
public class Releases {

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
    private final HeldBack heldBack;
    private final FindingsQueue findings;
    private final Estimates estimates;

    Releases(
            ReleaseMapper mapper,
            Drafts drafts,
            Items items,
            Clients clients,
            HandoverFormats formats,
            TransactionTemplate transaction,
            PropertyLine line,
            HandoverFiles files,
            HeldBack heldBack,
            FindingsQueue findings,
            Estimates estimates) {
        this.mapper = mapper;
        this.drafts = drafts;
        this.items = items;
        this.clients = clients;
        this.formats = formats;
        this.transaction = transaction;
        this.line = line;
        this.files = files;
        this.heldBack = heldBack;
        this.findings = findings;
        this.estimates = estimates;
    }

    /**
     * What a person says of a release.
     *
     * @param name, reason "" for none
     * @param holdBack whether a random tenth is left as it is, so that the effect can be told
     */
    public record Naming(String name, String reason, boolean holdBack) {}

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
     * @param note what is said of the drafts; "" for nothing
     * @throws Refusal with the texts in question where some were changed since that revision
     */
    Decided decide(long propertyId, Selection selection, List<Field> fields, DraftState state, Long asOf, String note) {
        if (!DECISIONS.contains(state)) {
            throw Refusal.badInput("expected approved, sent-back or drafted, got \"" + state + "\"");
        }
        Set<Field> meant = fields == null || fields.isEmpty() ? Set.copyOf(FieldId.FIELDS) : Set.copyOf(fields);
        return line.get(propertyId, "deciding about drafts", () -> {
            long[] ids = selection.resolve(propertyId, items);
            LongPredicate wanted = item -> Arrays.binarySearch(ids, item) >= 0;
            if (asOf != null) refuseChangedMeanwhile(propertyId, meant, asOf, wanted);
            Map<Field, long[]> moving = items.inState(propertyId, ids, state.before());
            Map<Field, long[]> staying =
                    items.inState(propertyId, ids, EnumSet.complementOf(EnumSet.copyOf(state.before())));
            moving.keySet().retainAll(meant);
            staying.keySet().retainAll(meant);
            int moved = transaction.execute(status -> {
                int count = 0;
                for (Map.Entry<Field, long[]> each : moving.entrySet())
                    count += drafts.move(each.getValue(), each.getKey(), state);
                if (!note.isEmpty()) {
                    moving.forEach((field, of) -> mapper.note(
                            Arrays.stream(of)
                                    .mapToObj(item -> FieldId.of(item, field))
                                    .toArray(),
                            note));
                }
                return count;
            });
            items.moved(propertyId, moving, state, moved);
            return new Decided(moved, count(staying) + count(moving) - moved);
        });
    }

    private static int count(Map<Field, long[]> items) {
        return items.values().stream().mapToInt(ids -> ids.length).sum();
    }

    private void refuseChangedMeanwhile(long propertyId, Set<Field> fields, long asOf, LongPredicate wanted) {
        items.refuseChangedMeanwhile(drafts.changedAfter(propertyId, fields, asOf, wanted).stream()
                .map(text -> new Conflict(text.itemId(), "", text.field(), null, text.text(), null))
                .toList());
    }

    /**
     * Hands over approved drafts: records them, keeps the file as it is delivered, and moves them on.
     *
     * @param selection null for all that are approved
     */
    Handover handOver(long propertyId, Selection selection, String format, Naming naming) {
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
                DraftState.DELIVERED,
                naming);
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
            long propertyId, Selection selection, Set<Field> fields, Naming naming, Consumer<Handover> then) {
        Order order = new Order(
                "a release",
                formats.find("csv"),
                fields::contains,
                "The content system has no place for any of the approved drafts.",
                DraftState.RELEASED,
                naming);
        return record(clients.property(propertyId), selection, order, then);
    }

    /**
     * What is delivered, and how.
     *
     * @param says what is at work, for those that have to wait
     * @param without what is said where nothing can be delivered so
     * @param becomes the state that they have then
     */
    private record Order(
            String says,
            HandoverFormat format,
            Predicate<Field> holds,
            String without,
            DraftState becomes,
            Naming naming) {}

    private Handover record(Property property, Selection selection, Order order, Consumer<Handover> then) {
        // What drafts mend is told by findings that follow them.
        findings.await(property.id());
        return line.get(property.id(), order.says, () -> {
            long[] wanted = selection == null
                    ? items.ids(property.id(), ItemFilter.ALL)
                    : selection.resolve(property.id(), items);
            Map<Field, long[]> texts = items.inState(property.id(), wanted, EnumSet.of(DraftState.APPROVED));
            if (texts.isEmpty()) throw Refusal.conflict("No draft is approved, so there is nothing to deliver.");
            texts.keySet().removeIf(field -> !order.holds.test(field));
            if (texts.isEmpty()) throw Refusal.conflict(order.without);
            leaveOut(texts, heldBack.items(property.id()));
            if (texts.isEmpty()) throw Refusal.conflict("All that is approved is held back; let it go first.");
            Handover made = transaction.execute(status -> {
                Handover handover = record(property, order, texts);
                then.accept(handover);
                return handover;
            });
            items.moved(property.id(), texts, order.becomes, made.texts());
            return made;
        });
    }

    private Handover record(Property property, Order order, Map<Field, long[]> texts) {
        ReleaseMapper.Key key = new ReleaseMapper.Key();
        mapper.insert(key, property.id(), order.format.code(), order.naming.name(), order.naming.reason());
        if (order.naming.holdBack()) {
            Set<Long> held = heldBack.choose(RecordingLines.itemsOf(texts), key.id);
            leaveOut(texts, held);
            heldBack.hold(key.id, property.id(), held);
        }
        mapper.setCounts(key.id, RecordingLines.itemsOf(texts).length, count(texts));
        RecordingLines lines = new RecordingLines(
                mapper, drafts, items, estimates, property, mapper.find(key.id), texts, order.becomes);
        files.keep(lines);
        if (lines.moved() != count(texts)) {
            throw Refusal.conflict(
                    "Drafts were changed while they were being delivered, so nothing was delivered. Try again.");
        }
        return lines.handover();
    }

    private static void leaveOut(Map<Field, long[]> texts, Set<Long> items) {
        if (items.isEmpty()) return;
        texts.replaceAll((field, ids) ->
                Arrays.stream(ids).filter(id -> !items.contains(id)).toArray());
        texts.values().removeIf(ids -> ids.length == 0);
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
        return new RecordedLines(mapper, handover);
    }

    /** The root of the website that a handover is of, "https://tarrin.example/". */
    String root(Handover handover) {
        URI address =
                URI.create(clients.propertyOrRemoved(handover.propertyId()).address());
        return address.resolve("/").toString();
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
