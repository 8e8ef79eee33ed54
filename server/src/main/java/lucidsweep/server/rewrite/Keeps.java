package lucidsweep.server.rewrite;

import java.util.Arrays;
import java.util.List;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.triage.Findings;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Keeps texts as they are, with the reason, all of a selection or none. */
@Service
class Keeps {

    private final Drafts drafts;
    private final Findings findings;
    private final Items items;
    private final TransactionTemplate transaction;

    Keeps(Drafts drafts, Findings findings, Items items, TransactionTemplate transaction) {
        this.drafts = drafts;
        this.findings = findings;
        this.items = items;
        this.transaction = transaction;
    }

    /**
     * Keeps fields of items, or lets them go again.
     *
     * @param reason null to let them go
     * @return how many fields there were
     */
    int keep(long propertyId, long[] ids, List<String> fields, String reason) {
        if (reason != null && reason.isBlank()) {
            throw Refusal.badInput("a reason is needed to keep a text as it is");
        }
        Integer kept = transaction.execute(status -> fields.stream()
                .mapToInt(field -> drafts.setKept(ids, field, reason))
                .sum());
        List<Long> items = Arrays.stream(ids).boxed().toList();
        findings.evaluate(propertyId, items);
        this.items.changed(propertyId, items);
        return kept == null ? 0 : kept;
    }
}
