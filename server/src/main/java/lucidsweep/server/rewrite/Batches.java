package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.Drafts;
import lucidsweep.server.item.FieldId;
import lucidsweep.server.item.FieldLine;
import lucidsweep.server.item.Items;
import lucidsweep.server.job.Progress;
import lucidsweep.server.triage.Findings;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Changes drafts, always as a batch that is applied whole or not at all and can be undone and redone. */
@Service
public class Batches {

    private static final int CHUNK = 200;
    private static final int INSERT_AT_ONCE = 500;

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
                if (progress.stopAsked()) throw Refusal.conflict("Stopped before it was applied; nothing was changed.");
                for (Proposal proposal : chunk) {
                    if (proposal.changes()) writer.set(proposal.field(), proposal.after());
                }
                done[0] += chunk.size();
                progress.report(done[0], ids.length);
            });
        });
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
                Standard standard = property.standard();
                int[] done = {0};
                forEachChange(batch.id(), (line, change) -> {
                    touched.add(line);
                    if (undo)
                        drafts.set(line, change.beforeText(), change.beforeState(), change.beforeBatch(), standard);
                    else
                        drafts.set(
                                line,
                                change.afterText(),
                                change.afterText() == null ? "" : "drafted",
                                batch.id(),
                                standard);
                    touched.addText(line.field(), textAfter(line, undo ? change.beforeText() : change.afterText()));
                    progress.report(++done[0], batch.items());
                });
                mapper.setState(batch.id(), state);
            });
        } finally {
            oneAtATime.unlock();
        }
        settle(property.id(), touched);
        return find(batch.id());
    }

    private static String textAfter(FieldLine line, String draft) {
        return draft == null ? line.captured() : draft;
    }

    private void refuseConflicts(Batch batch, boolean undo) {
        List<BatchMapper.Conflict> conflicts =
                undo ? mapper.conflictsOfUndo(batch.id()) : mapper.conflictsOfRedo(batch.id());
        if (conflicts.isEmpty()) return;
        String those = conflicts.stream()
                .map(conflict -> conflict.title() + " (" + conflict.fields() + " texts)")
                .collect(Collectors.joining(", "));
        throw Refusal.conflict("Some of its texts were changed since by " + those + ". Undo "
                + (conflicts.size() == 1 ? "that" : "those") + " first; nothing was changed.");
    }

    private interface ChangeVisitor {
        void visit(FieldLine line, BatchMapper.Change change);
    }

    private void forEachChange(long batchId, ChangeVisitor visitor) {
        long after = 0;
        List<BatchMapper.Change> chunk;
        do {
            chunk = mapper.changes(batchId, after, CHUNK);
            Map<Long, BatchMapper.Change> changes =
                    chunk.stream().collect(Collectors.toMap(BatchMapper.Change::fieldId, change -> change));
            for (FieldLine line : drafts.fieldsById(List.copyOf(changes.keySet()))) {
                visitor.visit(line, changes.get(line.id()));
            }
            if (!chunk.isEmpty()) after = chunk.get(chunk.size() - 1).fieldId();
        } while (chunk.size() == CHUNK);
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
            });
        } finally {
            oneAtATime.unlock();
        }
        settle(property.id(), touched);
        return find(key.id);
    }

    private void settle(long propertyId, Touched touched) {
        touched.items.forEach((field, ids) -> findings.textsChanged(propertyId, field, ids, touched.alike.get(field)));
        clients.touch(propertyId);
    }

    private static String tidy(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }

    /** Which items were changed, by field, and the texts that they had and have. */
    private static final class Touched {
        private final Map<String, Set<Long>> items = new HashMap<>();
        private final Map<String, Set<Long>> alike = new HashMap<>();

        private void add(FieldLine line) {
            items.computeIfAbsent(line.field(), field -> new HashSet<>()).add(line.itemId());
            alike.computeIfAbsent(line.field(), field -> new HashSet<>()).add(line.alike());
        }

        private void addText(String field, String text) {
            alike.get(field).add(Likeness.hash(text));
        }
    }

    private final class Writer {
        private final long batchId;
        private final Standard standard;
        private final Touched touched;
        private final List<BatchMapper.Change> changes = new ArrayList<>(INSERT_AT_ONCE);
        private int changed;

        private Writer(long batchId, Standard standard, Touched touched) {
            this.batchId = batchId;
            this.standard = standard;
            this.touched = touched;
        }

        private void set(FieldLine line, String text) {
            if (text.equals(line.text())) return;
            String draft = text.equals(line.captured()) ? null : text;
            changes.add(new BatchMapper.Change(batchId, line.id(), line.draft(), line.state(), line.batchId(), draft));
            drafts.set(line, draft, draft == null ? "" : "drafted", batchId, standard);
            touched.add(line);
            touched.addText(line.field(), text);
            changed++;
            if (changes.size() == INSERT_AT_ONCE) flush();
        }

        private void flush() {
            if (changes.isEmpty()) return;
            mapper.insertChanges(
                    batchId,
                    column(BatchMapper.Change::fieldId),
                    column(BatchMapper.Change::beforeText),
                    column(BatchMapper.Change::beforeState),
                    column(BatchMapper.Change::beforeBatch),
                    column(BatchMapper.Change::afterText));
            changes.clear();
        }

        private Object[] column(Function<BatchMapper.Change, Object> part) {
            return changes.stream().map(part).toArray();
        }
    }
}
