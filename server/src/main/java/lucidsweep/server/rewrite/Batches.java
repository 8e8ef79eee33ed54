package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Spaces;
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
import lucidsweep.server.triage.Findings;
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

    private final BatchMapper mapper;
    private final Drafts drafts;
    private final Items items;
    private final Clients clients;
    private final Findings findings;
    private final TransactionTemplate transaction;
    private final ReentrantLock oneAtATime = new ReentrantLock();

    Batches(
            BatchMapper mapper,
            Drafts drafts,
            Items items,
            Clients clients,
            Findings findings,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.drafts = drafts;
        this.items = items;
        this.clients = clients;
        this.findings = findings;
        this.transaction = transaction;
    }

    /** A text typed into a cell; null takes the draft away. */
    public record TypedCell(long itemId, String field, String text) {}

    List<Batch> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId);
    }

    List<BatchMapper.Past> history(long itemId) {
        return mapper.history(FieldId.first(itemId), FieldId.last(itemId));
    }

    Batch find(long id) {
        Batch batch = mapper.find(id);
        if (batch == null) throw Refusal.notFound("there is no batch " + id);
        return batch;
    }

    /** Applies an edit to items, as one batch. */
    Batch apply(long propertyId, long[] ids, EditSpec spec, Progress progress) {
        Property property = clients.property(propertyId);
        Proposals proposals = new Proposals(property, clients.client(property.clientId()), spec, items, drafts);
        return change(property, spec.title(), writer -> {
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
    Batch apply(long propertyId, MadeTexts made, EditSpec spec, Progress progress) {
        long[] ids = made.ids();
        return change(clients.property(propertyId), spec.title(), writer -> {
            int[] done = {0};
            Lookahead.over(
                    ids,
                    AT_ONCE,
                    some -> drafts.fields(some, spec.field()).stream()
                            .filter(line -> line.kept() == null)
                            .flatMap(line -> writer.change(line, made.of(line.itemId())).stream())
                            .toList(),
                    changes -> {
                        goOnUnlessStopped(progress);
                        writer.write(changes);
                        progress.report(done[0] = Math.min(ids.length, done[0] + AT_ONCE), ids.length);
                    });
        });
    }

    private static void goOnUnlessStopped(Progress progress) {
        if (progress.stopAsked()) throw Refusal.conflict("Stopped before it was applied; nothing was changed.");
    }

    /** Sets texts typed or pasted by hand, as one batch; fields that are kept stay. */
    Batch type(long propertyId, List<TypedCell> cells) {
        if (cells.isEmpty()) throw Refusal.badInput("at least one text is needed");
        Property property = clients.property(propertyId);
        Map<String, List<TypedCell>> byField = cells.stream().collect(Collectors.groupingBy(TypedCell::field));
        String title = cells.size() == 1 ? "One " + cells.get(0).field() + " by hand" : cells.size() + " texts by hand";
        return change(
                property,
                title,
                writer -> byField.forEach((field, some) -> {
                    Map<Long, String> texts = new HashMap<>();
                    some.forEach(cell -> texts.put(cell.itemId(), cell.text()));
                    long[] ids =
                            texts.keySet().stream().mapToLong(Long::longValue).toArray();
                    for (FieldLine line : drafts.fields(ids, field)) {
                        String text = texts.get(line.itemId());
                        if (line.kept() == null) writer.set(line, text == null ? line.captured() : tidy(text));
                    }
                }));
    }

    /** Takes a batch back, unless a later one changed the same fields. */
    Batch undo(long id, Progress progress) {
        return turn(id, "undone", progress);
    }

    /** Applies an undone batch again, unless its fields were changed since. */
    Batch redo(long id, Progress progress) {
        return turn(id, "applied", progress);
    }

    private Batch turn(long id, String state, Progress progress) {
        Touched touched = new Touched();
        Batch batch;
        oneAtATime.lock();
        try {
            batch = find(id);
            long propertyId = batch.propertyId();
            if (batch.state().equals(state)) throw Refusal.conflict("this batch is " + state + " already");
            refuseConflicts(batch, state.equals("undone"));
            transaction.executeWithoutResult(status -> {
                mapper.beginTurn(id, state);
                findings.due(propertyId);
            });
            finishTurn(find(id), progress, touched);
        } finally {
            oneAtATime.unlock();
        }
        settle(batch.propertyId(), touched);
        return find(id);
    }

    /** Brings the fields of a batch to its state; those that are there already stay so. */
    private void finishTurn(Batch batch, Progress progress, Touched touched) {
        Standard standard = clients.propertyOrRemoved(batch.propertyId()).standard();
        boolean undo = batch.state().equals("undone");
        int[] done = {0};
        Lookahead.over(
                IdRange.ids(batch.id(), batch.items()),
                AT_ONCE,
                some -> turned(
                        some,
                        (change, line) ->
                                undo ? before(change, line, standard) : after(change, line, batch.id(), standard)),
                turned -> {
                    transaction.executeWithoutResult(status -> drafts.set(turned));
                    touched.add(turned);
                    progress.report(done[0] += turned.size(), batch.items());
                });
        mapper.end(batch.id(), batch.items());
    }

    /** Takes back what was written of a batch that did not come to its end. */
    private void takeBack(Batch batch) {
        IdRange range = IdRange.of(batch.id());
        Standard standard = clients.propertyOrRemoved(batch.propertyId()).standard();
        Lookahead.over(
                IdRange.ids(batch.id(), mapper.countChanges(range)),
                AT_ONCE,
                some -> turned(some, (change, line) -> before(change, line, standard)),
                turned -> transaction.executeWithoutResult(status -> drafts.set(turned)));
        transaction.executeWithoutResult(status -> {
            mapper.deleteChanges(range);
            mapper.delete(batch.id());
        });
        items.changed(batch.propertyId());
    }

    /** Before anybody can ask: no batch is half applied, whatever ended the application the last time. */
    @Override
    public void afterSingletonsInstantiated() {
        for (Batch batch : mapper.underWay()) {
            if (batch.items() == 0) takeBack(batch);
            else finishTurn(batch, Progress.UNWATCHED, new Touched());
        }
    }

    /** What a stretch of changes makes of the fields as they are now. */
    private List<Drafts.Change> turned(
            long[] ids, BiFunction<BatchMapper.ChangeValues, FieldLine, Drafts.Change> turn) {
        List<BatchMapper.ChangeValues> changes = mapper.changes(ids[0], ids[ids.length - 1]);
        Map<Long, FieldLine> lines = drafts.fields(
                changes.stream().map(BatchMapper.ChangeValues::fieldId).toList());
        return changes.stream()
                .filter(change -> lines.containsKey(change.fieldId()))
                .map(change -> turn.apply(change, lines.get(change.fieldId())))
                .toList();
    }

    private static Drafts.Change before(BatchMapper.ChangeValues change, FieldLine line, Standard standard) {
        return Drafts.Change.of(line, change.beforeText(), change.beforeState(), change.beforeBatch(), standard);
    }

    private static Drafts.Change after(
            BatchMapper.ChangeValues change, FieldLine line, long batchId, Standard standard) {
        String state = change.afterText() == null ? "" : "drafted";
        return Drafts.Change.of(line, change.afterText(), state, batchId, standard);
    }

    private void refuseConflicts(Batch batch, boolean undo) {
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
        BatchMapper.Key key = new BatchMapper.Key();
        Touched touched = new Touched();
        oneAtATime.lock();
        try {
            String shortTitle = title.length() > 500 ? title.substring(0, 499) + "…" : title;
            mapper.insert(key, property.id(), shortTitle);
            try {
                Writer writer = new Writer(key.id, property, touched);
                work.accept(writer);
                writer.flush();
                if (writer.changed == 0) throw Refusal.conflict("Nothing would change, so nothing was done.");
                mapper.end(key.id, writer.changed);
            } catch (RuntimeException e) {
                takeBack(find(key.id));
                throw e;
            }
        } finally {
            oneAtATime.unlock();
        }
        settle(property.id(), touched);
        return find(key.id);
    }

    /** Brings the findings up to date, and tables with them. */
    private void settle(long propertyId, Touched touched) {
        Set<Long> items = new HashSet<>();
        touched.items.values().forEach(items::addAll);
        this.items.refresh(propertyId, items);
        boolean all = false;
        for (Map.Entry<String, Set<Long>> field : touched.items.entrySet()) {
            Collection<Long> judged = findings.textsChanged(
                    propertyId, field.getKey(), field.getValue(), touched.alike.get(field.getKey()));
            if (judged == null) all = true;
            else items.addAll(judged);
        }
        if (all) this.items.changed(propertyId);
        else this.items.changed(propertyId, items);
    }

    private static String tidy(String text) {
        return Spaces.closedUp(text);
    }

    /** Which items were changed, by field, and the texts that they had and have. */
    private static final class Touched {
        private final Map<String, Set<Long>> items = new HashMap<>();
        private final Map<String, Set<Long>> alike = new HashMap<>();

        private void add(List<Drafts.Change> changes) {
            for (Drafts.Change change : changes) {
                FieldLine before = change.field();
                items.computeIfAbsent(before.field(), any -> new HashSet<>()).add(before.itemId());
                alike.computeIfAbsent(before.field(), any -> new HashSet<>())
                        .addAll(List.of(before.alike(), change.measure().alike()));
            }
        }
    }

    private final class Writer {
        private final long batchId;
        private final Property property;
        private final Touched touched;
        private final List<Drafts.Change> changes = new ArrayList<>(AT_ONCE);
        private int changed;

        private Writer(long batchId, Property property, Touched touched) {
            this.batchId = batchId;
            this.property = property;
            this.touched = touched;
        }

        /** The change that gives a field a text; none where it has it already. */
        private Optional<Drafts.Change> change(FieldLine line, String text) {
            if (text.equals(line.text())) return Optional.empty();
            String draft = text.equals(line.captured()) ? null : text;
            return Optional.of(
                    Drafts.Change.of(line, draft, draft == null ? "" : "drafted", batchId, property.standard()));
        }

        private void set(FieldLine line, String text) {
            change(line, text).ifPresent(changes::add);
            if (changes.size() >= AT_ONCE) flush();
        }

        private void flush() {
            write(changes);
            changes.clear();
        }

        private void write(List<Drafts.Change> some) {
            if (some.isEmpty()) return;
            transaction.executeWithoutResult(status -> {
                if (changed == 0) findings.due(property.id());
                drafts.set(some);
                ManyRows.each(some.stream().map(this::values).toList(), mapper::insertChanges);
            });
            touched.add(some);
        }

        private BatchMapper.ChangeValues values(Drafts.Change change) {
            FieldLine before = change.field();
            return new BatchMapper.ChangeValues(
                    IdRange.id(batchId, changed++),
                    before.id(),
                    before.draft(),
                    before.state(),
                    before.batchId(),
                    change.draft());
        }
    }
}
