package lucidsweep.server.triage;

import java.time.Instant;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.Future;
import java.util.function.Supplier;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.server.database.Columns;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Lets items stand although a check says otherwise: check by check, with the reason, and until a day if that is wanted. */
@Service
public class Exemptions {

    private static final Logger LOG = LoggerFactory.getLogger(Exemptions.class);

    private static final int AT_ONCE = 500;
    static final int LONGEST_REASON = 1_000;

    private final ExemptionMapper mapper;
    private final Findings findings;
    private final FindingsQueue queue;
    private final Items items;
    private final PropertyLine line;
    private final TransactionTemplate transaction;

    Exemptions(
            ExemptionMapper mapper,
            Findings findings,
            FindingsQueue queue,
            Items items,
            PropertyLine line,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.findings = findings;
        this.queue = queue;
        this.items = items;
        this.line = line;
        this.transaction = transaction;
    }

    List<Exemption> ofItem(long itemId) {
        return mapper.ofItem(itemId);
    }

    int count(long propertyId) {
        return mapper.count(propertyId);
    }

    /** A row as it is written. */
    record NewExemption(
            long itemId,
            String field,
            String checkCode,
            long propertyId,
            String reason,
            LocalDate untilDay,
            Instant added) {}

    /** Some items that were exempted at once; by the moment it can be undone, when no filter finds them any more. */
    record Exempted(int items, Instant at) {}

    /**
     * Exempts items from a check.
     *
     * @param until the day on which its findings come back; null for never
     * @return how many items there were, and when it was
     */
    Exempted exempt(long propertyId, long[] ids, Field field, String code, String reason, LocalDate until) {
        Check check = known(field, code);
        String why = reason == null ? "" : reason.strip();
        if (why.isEmpty() || why.length() > LONGEST_REASON)
            throw Refusal.badInput("reason: expected 1 to " + LONGEST_REASON + " characters, got " + why.length());
        if (until != null && !until.isAfter(LocalDate.now()))
            throw Refusal.badInput("until: expected a day to come, got " + until);
        for (long id : ids) items.requireOf(propertyId, id);
        Instant now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        int count = change(propertyId, "exempting items from a check", ids, () -> {
            for (int start = 0; start < ids.length; start += AT_ONCE) {
                List<NewExemption> rows = new ArrayList<>();
                for (int i = start; i < Math.min(ids.length, start + AT_ONCE); i++)
                    rows.add(new NewExemption(ids[i], field.code(), check.code(), propertyId, why, until, now));
                mapper.put(Columns.of(rows));
            }
            return ids.length;
        });
        return new Exempted(count, now);
    }

    /** Exempts items, each from a check of its own, and works out all findings after it. */
    void exemptAll(long propertyId, List<NewExemption> rows) {
        if (rows.isEmpty()) return;
        line.run(
                propertyId,
                "exempting items from checks",
                () -> transaction.executeWithoutResult(status -> {
                    for (int start = 0; start < rows.size(); start += AT_ONCE)
                        mapper.put(Columns.of(rows.subList(start, Math.min(rows.size(), start + AT_ONCE))));
                    findings.due(propertyId);
                }));
        queue.settleAnew(propertyId);
    }

    /** Holds items to a check again. */
    int remove(long propertyId, long[] ids, Field field, String code) {
        known(field, code);
        for (long id : ids) items.requireOf(propertyId, id);
        return change(propertyId, "holding items to a check again", ids, () -> {
            int removed = 0;
            for (int start = 0; start < ids.length; start += AT_ONCE) {
                Object[] some = Arrays.stream(ids, start, Math.min(ids.length, start + AT_ONCE))
                        .boxed()
                        .toArray();
                removed += mapper.remove(some, field, code);
            }
            return removed;
        });
    }

    /** Takes back that items were exempted at a moment. */
    int undo(long propertyId, Field field, String code, Instant at) {
        long[] ids = mapper.addedAt(propertyId, field, code, at).stream()
                .mapToLong(Long::longValue)
                .sorted()
                .toArray();
        return remove(propertyId, ids, field, code);
    }

    private static Check known(Field field, String code) {
        try {
            return Checks.of(field, code);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput(e.getMessage());
        }
    }

    /** What an exemption was until has come: its findings are back, for somebody to look again. */
    @Scheduled(initialDelayString = "PT1M", fixedDelayString = "PT1H")
    void comeBack() {
        comeBack(LocalDate.now());
    }

    /** The same as of a day; a property that is at work comes the next time. */
    public void comeBack(LocalDate today) {
        for (long propertyId : mapper.propertiesDue(today)) {
            try {
                comeBack(propertyId, today);
            } catch (RuntimeException e) {
                LOG.warn("findings of property {} that were let stand until {} come back later", propertyId, today, e);
            }
        }
    }

    private void comeBack(long propertyId, LocalDate today) {
        long[] ids = mapper.due(propertyId, today).stream()
                .mapToLong(Long::longValue)
                .distinct()
                .toArray();
        change(propertyId, "exemptions that end", ids, () -> {
            mapper.comeBack(propertyId, today);
            return ids.length;
        });
    }

    private record Done(int count, long change) {}

    private int change(long propertyId, String what, long[] ids, Supplier<Integer> work) {
        List<Long> itemIds = Arrays.stream(ids).boxed().toList();
        Future<?>[] worked = new Future<?>[1];
        int count = line.get(propertyId, what, () -> {
            Done done = transaction.execute(status -> new Done(work.get(), findings.due(propertyId)));
            worked[0] = queue.add(propertyId, done.change, ChangedTexts.ofItems(itemIds));
            return done.count;
        });
        FindingsQueue.await(worked[0], FindingsQueue.PATIENCE);
        return count;
    }
}
