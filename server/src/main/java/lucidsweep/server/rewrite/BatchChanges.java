package lucidsweep.server.rewrite;

import com.carrotsearch.hppc.LongLongHashMap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.LongStream;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Clients;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** What a batch changed, and what several of them changed together. */
@Service
class BatchChanges {

    private static final int AT_ONCE = 500;
    private static final int MANY = 5_000;

    private final BatchMapper mapper;
    private final Batches batches;
    private final Drafts drafts;
    private final Items items;
    private final Clients clients;

    BatchChanges(BatchMapper mapper, Batches batches, Drafts drafts, Items items, Clients clients) {
        this.mapper = mapper;
        this.batches = batches;
        this.drafts = drafts;
        this.items = items;
        this.clients = clients;
    }

    /**
     * A text before and after.
     *
     * @param before, after the text in force then; what was captured where nothing was drafted
     */
    record ChangedText(long fieldId, long itemId, String address, Field field, String before, String after) {}

    /**
     * Walks over what one batch changed, whether it stands or was undone.
     *
     * @param most no more than so many texts are looked at
     * @return how many there are
     */
    int ofBatch(long batchId, int most, Consumer<ChangedText> visit) {
        Batch batch = batches.find(batchId);
        int end = Math.min(most, batch.items());
        for (int start = 0; start < end; start += AT_ONCE) {
            List<BatchMapper.ChangeValues> some = mapper.changes(
                    IdRange.id(batchId, start), IdRange.id(batchId, Math.min(end, start + AT_ONCE) - 1L));
            texts(some.stream()
                            .map(each -> new NetChange(each.fieldId(), each.beforeText(), each.afterText()))
                            .toList())
                    .forEach(visit);
        }
        return batch.items();
    }

    /**
     * Walks over what differs between two moments: right after one batch, and right after a later one. Batches that were undone
     * are left out.
     *
     * @param from the batch of the earlier moment; 0 for before the first one
     * @param most no more than so many texts are looked at
     * @return how many texts were touched in between; those that say the same again are passed over
     */
    int between(long propertyId, long from, long to, int most, Consumer<ChangedText> visit) {
        clients.property(propertyId);
        if (from >= to) throw Refusal.badInput("expected an earlier batch and a later one, got " + from + " and " + to);
        LongLongHashMap first = new LongLongHashMap();
        LongLongHashMap last = new LongLongHashMap();
        long end = IdRange.of(to).last();
        List<BatchMapper.ChangeOf> chunk;
        long after = IdRange.of(from).last();
        do {
            chunk = mapper.changesOf(propertyId, after, end, MANY);
            for (BatchMapper.ChangeOf change : chunk) {
                first.putIfAbsent(change.fieldId(), change.id());
                last.put(change.fieldId(), change.id());
                after = change.id();
            }
        } while (chunk.size() == MANY);
        long[] fields = first.keys().toArray();
        Arrays.sort(fields);
        int shown = Math.min(most, fields.length);
        for (int start = 0; start < shown; start += AT_ONCE) {
            long[] some = Arrays.copyOfRange(fields, start, Math.min(shown, start + AT_ONCE));
            texts(net(some, first, last)).forEach(visit);
        }
        return fields.length;
    }

    private List<NetChange> net(long[] fields, LongLongHashMap first, LongLongHashMap last) {
        Object[] ids = Arrays.stream(fields)
                .flatMap(field -> LongStream.of(first.get(field), last.get(field)))
                .distinct()
                .boxed()
                .toArray();
        Map<Long, BatchMapper.ChangeValues> changes = mapper.changesById(ids).stream()
                .collect(Collectors.toMap(BatchMapper.ChangeValues::id, Function.identity()));
        return Arrays.stream(fields)
                .mapToObj(field -> new NetChange(
                        field,
                        changes.get(first.get(field)).beforeText(),
                        changes.get(last.get(field)).afterText()))
                .toList();
    }

    /** What batches made of a field together; null for the captured text. */
    private record NetChange(long fieldId, String beforeText, String afterText) {}

    private List<ChangedText> texts(List<NetChange> some) {
        Map<Long, FieldLine> lines =
                drafts.fields(some.stream().map(NetChange::fieldId).toList());
        Map<Long, String> addresses = items.addresses(some.stream()
                .map(change -> FieldId.item(change.fieldId()))
                .distinct()
                .toList());
        List<ChangedText> texts = new ArrayList<>();
        for (NetChange change : some) {
            FieldLine line = lines.get(change.fieldId());
            String captured = line == null ? "" : line.captured();
            String before = change.beforeText() == null ? captured : change.beforeText();
            String after = change.afterText() == null ? captured : change.afterText();
            if (before.equals(after)) continue;
            long item = FieldId.item(change.fieldId());
            texts.add(new ChangedText(
                    change.fieldId(),
                    item,
                    addresses.getOrDefault(item, ""),
                    FieldId.field(change.fieldId()),
                    before,
                    after));
        }
        return texts;
    }
}
