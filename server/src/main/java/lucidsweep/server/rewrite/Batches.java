package lucidsweep.server.rewrite;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Future;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.page.Slug;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Lookahead;
import lucidsweep.server.job.Progress;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.triage.ChangedTexts;
import lucidsweep.server.triage.Findings;
import lucidsweep.server.triage.FindingsQueue;
import lucidsweep.server.web.Conflict;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.beans.factory.SmartInitializingSingleton;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Changes drafts, always as a batch that is applied whole or not at all and can be undone and redone. It is written in many
 * small transactions, since one of 100,000 rows takes the database twice as long.
 */
@Service
public class Batches implements SmartInitializingSingleton {

    private static final int AT_ONCE = 500;
    private static final int LONGEST = 100_000;
    private static final DateTimeFormatter DAY =
            DateTimeFormatter.ofPattern("d MMM yyyy", Locale.UK).withZone(ZoneId.systemDefault());

    private final BatchMapper mapper;
    private final Drafts drafts;
    private final Items items;
    private final Clients clients;
    private final ProposalWork work;
    private final Findings findings;
    private final FindingsQueue queue;
    private final PropertyLine line;
    private final TransactionTemplate transaction;

    Batches(
            BatchMapper mapper,
            Drafts drafts,
            Items items,
            Clients clients,
            ProposalWork work,
            Findings findings,
            FindingsQueue queue,
            PropertyLine line,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.drafts = drafts;
        this.items = items;
        this.clients = clients;
        this.work = work;
        this.findings = findings;
        this.queue = queue;
        this.line = line;
        this.transaction = transaction;
    }

    /**
     * A text typed into a cell.
     *
     * @param text null takes the draft away
     * @param from the text that was in force when the person began; null to overwrite whatever is there
     */
    public record TypedCell(
            long itemId,
            @NotNull Field field,

            @Size(max = LONGEST, message = "has at most 100,000 characters")
            String text,

            String from) {}

    /** What was delivered since it was changed, and in which handover; undo and redo leave it as it is. */
    record Left(long handoverId, Instant delivered, int texts) {}

    /** A batch after it was undone or redone. */
    record Turned(Batch batch, List<Left> left) {}

    /** The latest hundred that changed anything, the last one first. */
    public List<Batch> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId);
    }

    /** The ids of the fields that a batch changed. */
    public List<Long> fields(long batchId) {
        return mapper.changedFields(IdRange.of(batchId));
    }

    /** A past change of an item. */
    record Past(
            String title,
            Batch.State state,
            Instant created,
            Field field,
            @Nullable String beforeText,
            @Nullable String afterText) {}

    List<Past> history(long itemId) {
        return mapper.history(FieldId.first(itemId), FieldId.last(itemId)).stream()
                .map(each -> new Past(
                        each.title(),
                        each.state(),
                        each.created(),
                        FieldId.field(each.fieldId()),
                        each.beforeText(),
                        each.afterText()))
                .toList();
    }

    Batch find(long id) {
        Batch batch = mapper.find(id);
        if (batch == null) throw Refusal.notFound("there is no batch " + id);
        return batch;
    }

    /**
     * Applies an edit to items, as one batch.
     *
     * @param asOf the revision that its preview showed; null to edit whatever is there now
     * @throws Refusal with the texts that were changed after it
     */
    Batch apply(long propertyId, long[] ids, EditSpec spec, Long asOf, Progress progress) {
        Property property = clients.property(propertyId);
        Proposals proposals = work.of(property, spec);
        return change(property, spec.title(), writer -> {
            refuseChangedAfter(propertyId, ids, spec.field(), asOf);
            int[] done = {0};
            proposals.forEach(ids, chunk -> {
                goOnUnlessStopped(progress);
                for (Proposal proposal : chunk) {
                    if (proposal.changes()) writer.set(proposal.field(), proposal.after());
                }
                done[0] += chunk.size();
                progress.report(done[0], ids.length);
            });
        });
    }

    /** Applies an edit whose texts were worked out before, as one batch. */
    Batch apply(long propertyId, MadeTexts made, EditSpec spec, Long asOf, Progress progress) {
        long[] ids = made.ids();
        return change(clients.property(propertyId), spec.title(), writer -> {
            refuseChangedAfter(propertyId, ids, spec.field(), asOf);
            int[] done = {0};
            Lookahead.over(
                    ids,
                    AT_ONCE,
                    some -> drafts.fields(some, spec.field()).stream()
                            .filter(line -> !line.isKept())
                            .flatMap(line -> writer.change(line, made.of(line.itemId())).stream())
                            .toList(),
                    changes -> {
                        goOnUnlessStopped(progress);
                        writer.write(changes);
                        progress.report(done[0] = Math.min(ids.length, done[0] + AT_ONCE), ids.length);
                    });
        });
    }

    /** Refuses an edit of texts that were changed after the revision that its preview showed. */
    void refuseChangedMeanwhile(long propertyId, long[] ids, EditSpec spec, Long asOf) {
        refuseChangedAfter(propertyId, ids, spec.field(), asOf);
    }

    private static void goOnUnlessStopped(Progress progress) {
        if (progress.stopAsked()) throw Refusal.conflict("Stopped before it was applied; nothing was changed.");
    }

    /**
     * Sets texts typed or pasted by hand, as one batch; fields that are kept stay.
     *
     * @param patience how long to wait for the findings that follow
     * @throws Refusal with the texts on both sides where some were changed since the person looked
     */
    Batch type(long propertyId, List<TypedCell> cells, Duration patience) {
        if (cells.isEmpty()) throw Refusal.badInput("at least one text is needed");
        String title = cells.size() == 1
                ? "One " + cells.get(0).field().label() + " by hand"
                : cells.size() + " texts by hand";
        return type(propertyId, cells, title, patience);
    }

    /** The same under a title. */
    public Batch type(long propertyId, List<TypedCell> cells, String title) {
        return type(propertyId, cells, title, FindingsQueue.PATIENCE);
    }

    private Batch type(long propertyId, List<TypedCell> cells, String title, Duration patience) {
        Property property = clients.property(propertyId);
        Map<Field, Map<Long, TypedCell>> byField = new EnumMap<>(Field.class);
        for (TypedCell cell : cells) {
            items.requireOf(propertyId, cell.itemId());
            byField.computeIfAbsent(cell.field(), any -> new HashMap<>()).put(cell.itemId(), cell);
        }
        return change(property, title, cells.size() <= AT_ONCE, patience, writer -> {
            Map<Field, List<FieldLine>> lines = new EnumMap<>(Field.class);
            byField.forEach((field, some) -> lines.put(
                    field,
                    drafts.fields(
                            some.keySet().stream().mapToLong(Long::longValue).toArray(), field)));
            refuseChangedMeanwhile(byField, lines);
            lines.forEach((field, some) -> some.stream()
                    .filter(line -> !line.isKept())
                    .forEach(line -> {
                        String text = byField.get(field).get(line.itemId()).text();
                        writer.set(line, text == null ? line.captured() : TidyText.of(property, line, text));
                    }));
        });
    }

    /** Changes a rectangle of the desk as one batch, whether its rows are in view or not; fields that are kept stay. */
    Batch change(long propertyId, RangeEdit edit, Progress progress) {
        Property property = clients.property(propertyId);
        long[] ids = rowsOf(propertyId, edit);
        return change(property, edit.title(ids.length * edit.fields().size()), writer -> {
            edit.fields().forEach(field -> refuseChangedAfter(propertyId, ids, field, edit.asOf()));
            for (int column = 0; column < edit.fields().size(); column++) {
                Field field = edit.fields().get(column);
                String first = edit.action() == RangeEdit.Action.FILL ? textInForce(ids[0], field) : null;
                for (int start = 0; start < ids.length; start += AT_ONCE) {
                    goOnUnlessStopped(progress);
                    long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + AT_ONCE));
                    Map<Long, Integer> rows = new HashMap<>();
                    for (int i = 0; i < some.length; i++) rows.put(some[i], start + i);
                    for (FieldLine text : drafts.fields(some, field)) {
                        if (text.isKept()) continue;
                        String wanted = switch (edit.action()) {
                            case FILL ->
                                first != null && PartTexts.areOf(field) ? PartTexts.merged(text.text(), first) : first;
                            case REVERT -> text.captured();
                            case PASTE -> {
                                String pasted = edit.pasted(rows.get(text.itemId()), column);
                                yield pasted == null ? null : TidyText.of(property, text, pasted);
                            }
                        };
                        if (wanted != null) writer.set(text, wanted);
                    }
                    progress.report(
                            (long) column * ids.length + start + some.length,
                            (long) ids.length * edit.fields().size());
                }
            }
        });
    }

    /** Refuses a change of rows that are not as the person saw them, before any work on it begins. */
    void refuseChangedMeanwhile(long propertyId, RangeEdit edit) {
        long[] ids = rowsOf(propertyId, edit);
        edit.fields().forEach(field -> refuseChangedAfter(propertyId, ids, field, edit.asOf()));
    }

    private long[] rowsOf(long propertyId, RangeEdit edit) {
        if (!edit.isComplete()) throw Refusal.badInput("there is nothing to paste");
        long[] ids = items.ids(edit.filter().view(propertyId, edit.order()), edit.from(), edit.count());
        if (ids.length == 0) throw Refusal.badInput("there are no rows there");
        if (edit.isAbout(ids)) return ids;
        throw Refusal.conflict(
                "The order of the rows has changed since; nothing was changed. Refresh the order and try again.");
    }

    private String textInForce(long itemId, Field field) {
        List<FieldLine> lines = drafts.fields(new long[] {itemId}, field);
        return lines.isEmpty() ? null : lines.get(0).text();
    }

    /** Called in the property's line, so that nothing changes between the look and the change; null looks at nothing. */
    private void refuseChangedAfter(long propertyId, long[] ids, Field field, Long asOf) {
        if (asOf == null) return;
        long[] sorted = Arrays.stream(ids).sorted().toArray();
        items.refuseChangedMeanwhile(
                drafts
                        .changedAfter(propertyId, Set.of(field), asOf, item -> Arrays.binarySearch(sorted, item) >= 0)
                        .stream()
                        .map(text -> new Conflict(text.itemId(), "", field, null, text.text(), null))
                        .toList());
    }

    private void refuseChangedMeanwhile(Map<Field, Map<Long, TypedCell>> cells, Map<Field, List<FieldLine>> lines) {
        List<Conflict> conflicts = new ArrayList<>();
        lines.forEach((field, some) -> {
            for (FieldLine line : some) {
                TypedCell cell = cells.get(field).get(line.itemId());
                boolean changed = cell.from() != null && !cell.from().equals(line.text());
                // Two people who want the same agree.
                if (!changed || line.text().equals(cell.text())) continue;
                conflicts.add(new Conflict(line.itemId(), "", field, cell.from(), line.text(), cell.text()));
            }
        });
        items.refuseChangedMeanwhile(conflicts);
    }

    /** Takes a batch back, unless a later one changed the same fields; what was delivered since stays. */
    Turned undo(long id, Progress progress) {
        return turn(id, Batch.State.UNDONE, progress);
    }

    /** Applies an undone batch again, unless its fields were changed since. */
    Turned redo(long id, Progress progress) {
        return turn(id, Batch.State.APPLIED, progress);
    }

    private Turned turn(long id, Batch.State state, Progress progress) {
        long propertyId = find(id).propertyId();
        Future<?>[] worked = new Future<?>[1];
        List<Left> left =
                line.get(propertyId, state == Batch.State.UNDONE ? "undoing a batch" : "redoing a batch", () -> {
                    Batch batch = find(id);
                    if (batch.state() == state) throw Refusal.conflict("this batch is " + state + " already");
                    refuseConflicts(batch, state == Batch.State.UNDONE);
                    List<Left> delivered =
                            mapper.anythingDelivered(propertyId) ? mapper.deliveredOf(id, IdRange.of(id)) : List.of();
                    if (delivered.stream().mapToInt(Left::texts).sum() == batch.items()) {
                        throw Refusal.conflict("All of its texts were delivered since, " + said(delivered)
                                + "; nothing was changed. To change them, write new drafts.");
                    }
                    ChangedTexts touched = new ChangedTexts();
                    long change = transaction.execute(status -> {
                        mapper.beginTurn(id, state);
                        return findings.due(propertyId);
                    });
                    finishTurn(find(id), progress, touched);
                    clients.touch(propertyId);
                    worked[0] = queue.add(propertyId, change, touched);
                    return delivered;
                });
        FindingsQueue.await(worked[0], FindingsQueue.PATIENCE);
        return new Turned(find(id), left);
    }

    /** "in handover 3 of 26 Nov 2026". */
    static String said(List<Left> left) {
        return left.stream()
                .map(each -> "in handover " + each.handoverId() + " of " + DAY.format(each.delivered()))
                .collect(Collectors.joining(" and "));
    }

    /** Brings the fields of a batch to its state; those that are there already stay so. */
    private void finishTurn(Batch batch, Progress progress, ChangedTexts touched) {
        Standard standard = clients.propertyOrRemoved(batch.propertyId()).standard();
        boolean undo = batch.state() == Batch.State.UNDONE;
        long revision = revision(batch.propertyId());
        int[] done = {0};
        Lookahead.over(
                IdRange.ids(batch.id(), batch.items()),
                AT_ONCE,
                some -> turned(
                        some,
                        (change, line) ->
                                undo ? before(change, line, standard) : after(change, line, batch.id(), standard)),
                turned -> {
                    transaction.executeWithoutResult(status -> drafts.set(turned, revision));
                    items.rewritten(batch.propertyId(), turned);
                    note(touched, turned);
                    progress.report(done[0] += turned.size(), batch.items());
                });
        mapper.end(batch.id(), batch.items());
    }

    /** Takes back what was written of a batch that did not come to its end. */
    private void takeBack(Batch batch) {
        IdRange range = IdRange.of(batch.id());
        Standard standard = clients.propertyOrRemoved(batch.propertyId()).standard();
        long revision = revision(batch.propertyId());
        int changes = mapper.countChanges(range);
        Lookahead.over(
                IdRange.ids(batch.id(), changes),
                AT_ONCE,
                some -> turned(some, (change, line) -> before(change, line, standard)),
                turned -> transaction.executeWithoutResult(status -> drafts.set(turned, revision)));
        transaction.executeWithoutResult(status -> {
            mapper.deleteChanges(range);
            mapper.delete(batch.id());
        });
        if (changes > 0) items.changed(batch.propertyId());
    }

    /** Before anybody can ask: no batch is half applied, whatever ended the application the last time. */
    @Override
    public void afterSingletonsInstantiated() {
        for (Batch batch : mapper.underWay()) {
            if (batch.items() == 0) takeBack(batch);
            else finishTurn(batch, Progress.UNWATCHED, new ChangedTexts());
        }
    }

    /** What a stretch of changes makes of the fields as they are now. */
    private List<Drafts.Change> turned(
            long[] ids, BiFunction<BatchMapper.ChangeValues, FieldLine, Drafts.Change> turn) {
        List<BatchMapper.ChangeValues> changes = mapper.changes(ids[0], ids[ids.length - 1]);
        Map<Long, FieldLine> lines = drafts.fields(
                changes.stream().map(BatchMapper.ChangeValues::fieldId).toList());
        return changes.stream()
                .filter(change -> lines.containsKey(change.fieldId())
                        && !lines.get(change.fieldId()).isDelivered())
                .map(change -> turn.apply(change, lines.get(change.fieldId())))
                .toList();
    }

    private static Drafts.Change before(BatchMapper.ChangeValues change, FieldLine line, Standard standard) {
        DraftState state = change.beforeState() == null ? null : DraftState.of(change.beforeState());
        return Drafts.Change.of(line, change.beforeText(), state, change.beforeBatch(), standard);
    }

    private static Drafts.Change after(
            BatchMapper.ChangeValues change, FieldLine line, long batchId, Standard standard) {
        DraftState state = change.afterText() == null ? null : DraftState.DRAFTED;
        return Drafts.Change.of(line, change.afterText(), state, batchId, standard);
    }

    private void refuseConflicts(Batch batch, boolean undo) {
        // Nothing can have touched the texts of the latest batch after it.
        if (undo && mapper.isLatest(batch.id(), batch.propertyId())) return;
        IdRange range = IdRange.of(batch.id());
        List<BatchMapper.Conflict> conflicts =
                undo ? mapper.conflictsOfUndo(batch.id(), range) : mapper.conflictsOfRedo(range);
        if (conflicts.isEmpty()) return;
        String those = conflicts.stream()
                .map(conflict -> conflict.title() + " (" + Counted.of(conflict.fields(), "text") + ")")
                .collect(Collectors.joining(", "));
        throw Refusal.conflict("Some of its texts were changed since by " + those + ". Undo "
                + (conflicts.size() == 1 ? "that" : "those") + " first; nothing was changed.");
    }

    private Batch change(Property property, String title, Consumer<Writer> work) {
        return change(property, title, false, FindingsQueue.PATIENCE, work);
    }

    /**
     * @param atOnce whether it is so little that one transaction takes all of it
     * @param patience how long to wait for the findings that follow
     */
    private Batch change(Property property, String title, boolean atOnce, Duration patience, Consumer<Writer> work) {
        String shortTitle = title.length() > 500 ? title.substring(0, 499) + "…" : title;
        Applied applied = line.get(property.id(), shortTitle, () -> {
            Writer writer = new Writer(property);
            Clients.Revision revision =
                    atOnce ? writeAtOnce(writer, shortTitle, work) : writeInSteps(writer, shortTitle, work);
            return new Applied(writer.batchId, revision, queue.add(property.id(), writer.change, writer.touched));
        });
        // It is written to disk while findings are worked out.
        clients.confirm(applied.revision);
        FindingsQueue.await(applied.findings, patience);
        return find(applied.id);
    }

    private record Applied(long id, Clients.Revision revision, Future<?> findings) {}

    private Clients.Revision writeAtOnce(Writer writer, String title, Consumer<Writer> work) {
        try {
            return transaction.execute(status -> {
                writer.begin(title);
                return writer.writeAll(work);
            });
        } catch (RuntimeException | Error e) {
            // Tables have what was written by then.
            if (writer.changed > 0) items.changed(writer.property.id());
            throw e;
        }
    }

    private Clients.Revision writeInSteps(Writer writer, String title, Consumer<Writer> work) {
        writer.begin(title);
        try {
            return writer.writeAll(work);
        } catch (RuntimeException | Error e) {
            takeBack(find(writer.batchId));
            throw e;
        }
    }

    /** The revision that the property will have once what is written now is told to the open pages. */
    private long revision(long propertyId) {
        return clients.propertyOrRemoved(propertyId).revision() + 1;
    }

    private static void note(ChangedTexts touched, List<Drafts.Change> changes) {
        for (Drafts.Change change : changes) {
            FieldLine before = change.field();
            touched.add(
                    before.field(),
                    before.itemId(),
                    before.alike(),
                    change.measure().alike());
        }
    }

    private final class Writer {
        private final Property property;
        private final ChangedTexts touched = new ChangedTexts();
        private final List<Drafts.Change> changes = new ArrayList<>();
        private final long revision;
        private SlugClaims slugs;
        private long batchId;
        private int changed;
        private long change;

        private Writer(Property property) {
            this.property = property;
            revision = revision(property.id());
        }

        private void begin(String title) {
            BatchMapper.Key key = new BatchMapper.Key();
            mapper.insert(key, property.id(), title);
            batchId = key.id;
        }

        private Clients.Revision writeAll(Consumer<Writer> work) {
            work.accept(this);
            flush();
            if (changed == 0) throw Refusal.conflict("Nothing would change, so nothing was done.");
            mapper.end(batchId, changed);
            return clients.count(property.id());
        }

        /** The change that gives a field a text; none where it has it already. */
        private Optional<Drafts.Change> change(FieldLine line, String text) {
            if (text.equals(line.text())) return Optional.empty();
            String draft = text.equals(line.captured()) ? null : text;
            DraftState state = draft == null ? null : DraftState.DRAFTED;
            return Optional.of(Drafts.Change.of(line, draft, state, batchId, property.standard()));
        }

        private void set(FieldLine line, String text) {
            change(line, text).ifPresent(changes::add);
            if (changes.size() >= AT_ONCE) flush();
        }

        private void flush() {
            refuseTakenSlugs();
            write(changes);
            changes.clear();
        }

        /** Whatever was written of the batch by then is taken back. */
        private void refuseTakenSlugs() {
            List<Drafts.Change> moved = changes.stream()
                    .filter(change -> change.field().field() == Field.SLUG)
                    .toList();
            if (moved.isEmpty()) return;
            if (slugs == null) slugs = new SlugClaims(property.id(), items, drafts);
            Map<Long, String> addresses = items.addresses(
                    moved.stream().map(change -> change.field().itemId()).toList());
            for (Drafts.Change change : moved) {
                long item = change.field().itemId();
                String slug = change.draft() == null ? change.field().captured() : change.draft();
                String address = Slug.replaced(addresses.getOrDefault(item, ""), slug);
                if (!slugs.claim(item, address)) {
                    throw Refusal.badInput("another item is at " + address + ", or is to be; nothing was changed");
                }
            }
        }

        private void write(List<Drafts.Change> some) {
            if (some.isEmpty()) return;
            transaction.executeWithoutResult(status -> {
                if (changed == 0) change = findings.due(property.id());
                drafts.set(some, revision);
                ManyRows.each(some.stream().map(this::values).toList(), mapper::insertChanges);
            });
            items.rewritten(property.id(), some);
            note(touched, some);
        }

        private BatchMapper.ChangeValues values(Drafts.Change change) {
            FieldLine before = change.field();
            return new BatchMapper.ChangeValues(
                    IdRange.id(batchId, changed++),
                    before.id(),
                    before.draft(),
                    before.state() == null ? null : before.state().code(),
                    before.batchId(),
                    change.draft());
        }
    }
}
