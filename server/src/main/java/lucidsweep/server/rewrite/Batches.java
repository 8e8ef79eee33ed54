package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.Drafts;
import lucidsweep.server.item.FieldId;
import lucidsweep.server.item.FieldLine;
import lucidsweep.server.item.Items;
import lucidsweep.server.job.Progress;
import lucidsweep.server.triage.Findings;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Changes drafts, always as a batch that is applied whole or not at all and can be undone and redone. */
@Service
public class Batches {

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
            for (int start = 0; start < ids.length; start += AT_ONCE) {
                goOnUnlessStopped(progress);
                long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + AT_ONCE));
                for (FieldLine line : drafts.fields(some, spec.field())) {
                    if (line.kept() == null) writer.set(line, made.of(line.itemId()));
                }
                progress.report(start + some.length, ids.length);
            }
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
        Batch batch = find(id);
        if (!batch.state().equals("applied")) throw Refusal.conflict("this batch is undone already");
        return turn(batch, "undone", progress);
    }

    /** Applies an undone batch again, unless its fields were changed since. */
    Batch redo(long id, Progress progress) {
        Batch batch = find(id);
        if (!batch.state().equals("undone")) throw Refusal.conflict("this batch is applied already");
        return turn(batch, "applied", progress);
    }

    private Batch turn(Batch batch, String state, Progress progress) {
        Property property = clients.property(batch.propertyId());
        boolean undo = state.equals("undone");
        Touched touched = new Touched();
        oneAtATime.lock();
        try {
            transaction.executeWithoutResult(status -> {
                refuseConflicts(batch, undo);
                int[] done = {0};
                forEachChange(batch.id(), changes -> {
                    List<Drafts.Change> turned = changes.stream()
                            .map(change -> undo ? before(change) : after(change, batch.id()))
                            .toList();
                    touched.add(turned, drafts.set(turned, property.standard()));
                    progress.report(done[0] += changes.size(), batch.items());
                });
                mapper.setState(batch.id(), state);
                findings.due(batch.propertyId());
            });
        } finally {
            oneAtATime.unlock();
        }
        settle(property.id(), touched);
        return find(batch.id());
    }

    private static Drafts.Change before(BatchMapper.Changed change) {
        return new Drafts.Change(change.line(), change.beforeText(), change.beforeState(), change.beforeBatch());
    }

    private static Drafts.Change after(BatchMapper.Changed change, long batchId) {
        String state = change.afterText() == null ? "" : "drafted";
        return new Drafts.Change(change.line(), change.afterText(), state, batchId);
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

    private void forEachChange(long batchId, Consumer<List<BatchMapper.Changed>> visit) {
        IdRange range = IdRange.of(batchId);
        long after = range.first() - 1;
        List<BatchMapper.Changed> chunk;
        do {
            chunk = mapper.changes(after, range.last(), AT_ONCE);
            if (chunk.isEmpty()) return;
            visit.accept(chunk);
            after = chunk.get(chunk.size() - 1).id();
        } while (chunk.size() == AT_ONCE);
    }

    private Batch change(Property property, String title, Consumer<Writer> work) {
        BatchMapper.Key key = new BatchMapper.Key();
        Touched touched = new Touched();
        oneAtATime.lock();
        try {
            transaction.executeWithoutResult(status -> {
                mapper.insert(key, property.id(), title.length() > 500 ? title.substring(0, 499) + "…" : title);
                Writer writer = new Writer(key.id, property.standard(), touched);
                work.accept(writer);
                writer.flush();
                if (writer.changed == 0) throw Refusal.conflict("Nothing would change, so nothing was done.");
                mapper.setItems(key.id, writer.changed);
                findings.due(property.id());
            });
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

        private void add(List<Drafts.Change> changes, List<Long> alikeNow) {
            for (Drafts.Change change : changes) {
                String field = change.field().field();
                items.computeIfAbsent(field, any -> new HashSet<>())
                        .add(change.field().itemId());
                alike.computeIfAbsent(field, any -> new HashSet<>())
                        .add(change.field().alike());
            }
            for (int i = 0; i < changes.size(); i++) {
                alike.get(changes.get(i).field().field()).add(alikeNow.get(i));
            }
        }
    }

    private final class Writer {
        private final long batchId;
        private final Standard standard;
        private final Touched touched;
        private final List<Drafts.Change> changes = new ArrayList<>(AT_ONCE);
        private int changed;

        private Writer(long batchId, Standard standard, Touched touched) {
            this.batchId = batchId;
            this.standard = standard;
            this.touched = touched;
        }

        private void set(FieldLine line, String text) {
            if (text.equals(line.text())) return;
            String draft = text.equals(line.captured()) ? null : text;
            changes.add(new Drafts.Change(line, draft, draft == null ? "" : "drafted", batchId));
            if (changes.size() == AT_ONCE) flush();
        }

        private void flush() {
            if (changes.isEmpty()) return;
            touched.add(changes, drafts.set(changes, standard));
            mapper.insertChanges(Columns.of(changes.stream().map(this::values).toList()));
            changes.clear();
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
