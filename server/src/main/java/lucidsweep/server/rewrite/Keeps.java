package lucidsweep.server.rewrite;

import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Future;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.triage.ChangedTexts;
import lucidsweep.server.triage.Findings;
import lucidsweep.server.triage.FindingsQueue;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps texts as they are, with the reason, all of a selection or none. */
@Service
class Keeps {

    private final Drafts drafts;
    private final Findings findings;
    private final FindingsQueue queue;
    private final Items items;
    private final PropertyLine line;
    private final TransactionTemplate transaction;

    Keeps(
            Drafts drafts,
            Findings findings,
            FindingsQueue queue,
            Items items,
            PropertyLine line,
            TransactionTemplate transaction) {
        this.drafts = drafts;
        this.findings = findings;
        this.queue = queue;
        this.items = items;
        this.line = line;
        this.transaction = transaction;
    }

    private record Kept(int fields, long change) {}

    /**
     * Keeps fields of items, or stops keeping them.
     *
     * @param reason null to stop keeping
     * @return how many fields there were
     */
    int keep(long propertyId, long[] ids, List<Field> fields, String reason) {
        if (reason != null && reason.isBlank()) {
            throw Refusal.badInput("a reason is needed to keep a text as it is");
        }
        List<Long> itemIds = Arrays.stream(ids).boxed().toList();
        Future<?>[] worked = new Future<?>[1];
        int kept = line.get(propertyId, "keeping texts", () -> {
            Kept done = transaction.execute(status -> {
                int sum = 0;
                for (Field field : fields) sum += drafts.setKept(ids, field, reason);
                return new Kept(sum, findings.due(propertyId));
            });
            ChangedTexts texts = new ChangedTexts();
            texts.addItems(itemIds);
            items.changed(propertyId, itemIds);
            worked[0] = queue.add(propertyId, done.change, texts);
            return done.fields;
        });
        FindingsQueue.await(worked[0], FindingsQueue.PATIENCE);
        return kept;
    }
}
