package lucidsweep.server.triage;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.StandardForm;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemSet;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.job.Lookahead;
import org.springframework.stereotype.Component;

/** Says what a change of a standard would find and no longer find, by the same items held to both. */
@Component
class StandardPreview {

    static final int MOST_ITEMS = 10_000;

    private static final int AT_ONCE = 200;

    private final Findings findings;
    private final Items items;
    private final SetStandards standards;

    StandardPreview(Findings findings, Items items, SetStandards standards) {
        this.findings = findings;
        this.items = items;
        this.standards = standards;
    }

    /**
     * What would change.
     *
     * @param items how many items were held to both standards
     * @param all how many there are; more where only every so many were looked at
     * @param added, removed how many findings would come and go
     * @param checks those whose number would change
     */
    record StandardDifference(int items, int all, int added, int removed, List<ChangedCheck> checks) {}

    /** A check with how many it finds now and would find. */
    record ChangedCheck(Field field, String check, String label, int before, int after) {}

    /** @param most how many items to look at, at most; few are answered sooner */
    StandardDifference of(Property property, StandardForm form, int most) {
        return between(
                property,
                most,
                standards.of(property),
                standards.of(property, form.over(property.readyStandard()), null, null));
    }

    /** The same where the standard of a set would be another; null for the property's. */
    StandardDifference of(Property property, ItemSet set, StandardForm form, int most) {
        return between(property, most, standards.of(property), standards.of(property, property.standard(), set, form));
    }

    private StandardDifference between(Property property, int most, ItemStandards now, ItemStandards then) {
        long[] all = items.ids(property.id(), ItemFilter.ALL);
        List<ItemDetail> some = new ArrayList<>();
        Lookahead.over(
                every(all, 1 + all.length / most),
                AT_ONCE,
                ids -> items.detailsInSite(property.id(), ids),
                some::addAll);
        List<Map<Check, Integer>> counts = Stream.of(now, then)
                .parallel()
                .map(held -> counts(property, held, some))
                .toList();
        Map<Check, Integer> before = counts.get(0);
        Map<Check, Integer> after = counts.get(1);
        List<ChangedCheck> lines = new ArrayList<>();
        int added = 0;
        int removed = 0;
        for (Check check : Checks.all()) {
            int earlier = before.getOrDefault(check, 0);
            int later = after.getOrDefault(check, 0);
            if (earlier == later) continue;
            added += Math.max(0, later - earlier);
            removed += Math.max(0, earlier - later);
            lines.add(new ChangedCheck(
                    check.field(), check.code(), check.field().label() + " " + check.label(), earlier, later));
        }
        return new StandardDifference(some.size(), all.length, added, removed, lines);
    }

    private static long[] every(long[] ids, int step) {
        long[] some = new long[(ids.length + step - 1) / step];
        for (int i = 0; i < some.length; i++) some[i] = ids[i * step];
        return some;
    }

    private Map<Check, Integer> counts(Property property, ItemStandards held, List<ItemDetail> some) {
        Map<Check, Integer> counts = new HashMap<>();
        findings.tryOut(property, held, some, found -> {
            for (Check check : found.checks()) {
                if (check.counts(found.item().noindex() == null)) counts.merge(check, 1, Integer::sum);
            }
        });
        return counts;
    }
}
