package lucidsweep.server.triage;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.finding.Causes;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Fix;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.finding.Tally;
import lucidsweep.core.item.Field;
import lucidsweep.core.stake.AppealFaults;
import lucidsweep.core.stake.Cost;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.FindingCount;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class TriageController {

    private static final int MAX_EXAMPLES = 1_000;

    private final FindingMapper mapper;
    private final Findings findings;
    private final Items items;
    private final Drafts drafts;
    private final Stakes stakes;

    TriageController(FindingMapper mapper, Findings findings, Items items, Drafts drafts, Stakes stakes) {
        this.drafts = drafts;
        this.stakes = stakes;
        this.mapper = mapper;
        this.findings = findings;
        this.items = items;
    }

    /** A cause as the interface shows it. */
    record CauseView(
            Field field,
            String check,
            String label,
            String shared,
            String section,
            int items,
            long links,
            Stake stake,
            double weight,
            String says,
            Fix fix) {

        static CauseView of(Cause cause) {
            return new CauseView(
                    cause.check().field(),
                    cause.check().code(),
                    cause.check().field().label() + " " + cause.check().label(),
                    cause.shared(),
                    cause.section(),
                    cause.items(),
                    cause.links(),
                    cause.stake(),
                    cause.weight(),
                    cause.says(),
                    cause.fix());
        }
    }

    /** Findings of one check, counted; those of items that are not indexable are left out, but for that check itself. */
    record CheckCount(Field field, String check, String label, int items) {}

    @GetMapping("/causes")
    List<CauseView> causes(@PathVariable long propertyId) {
        List<FindingCount> counts = items.findingCounts(propertyId).stream()
                .filter(count -> !count.key().check().equals(NotIndexable.CODE))
                .toList();
        Map<FindingCount, String> examples = examples(counts);
        Map<FindingCount.Key, Stake> atStake = stakes.byFinding(propertyId);
        List<Tally> tallies = counts.stream()
                .map(count -> new Tally(
                        Checks.of(count.key().field(), count.key().check()),
                        count.key().shared(),
                        examples.getOrDefault(count, count.key().shared()),
                        count.key().section(),
                        count.items(),
                        count.links(),
                        atStake.getOrDefault(count.key(), Stake.NONE)))
                .toList();
        return Causes.of(tallies, ending -> {
                    Integer fit = mapper.fitWithout(propertyId, ending);
                    return fit == null ? 0 : fit;
                })
                .stream()
                .map(CauseView::of)
                .toList();
    }

    /** The texts that most items share, as they are written; what they are compared by says it for the others. */
    private Map<FindingCount, String> examples(List<FindingCount> counts) {
        List<FindingCount> shared = counts.stream()
                .filter(count -> !count.key().shared().isEmpty()
                        && FieldId.FIELDS.contains(count.key().field()))
                .sorted(Comparator.comparingInt(FindingCount::items).reversed())
                .limit(MAX_EXAMPLES)
                .toList();
        Map<Long, FieldLine> texts = drafts.fields(
                shared.stream().map(TriageController::text).distinct().toList());
        return shared.stream()
                .filter(count -> texts.containsKey(text(count)))
                .collect(Collectors.toMap(
                        Function.identity(), count -> texts.get(text(count)).text()));
    }

    /** The id of the text in which the first of some findings is. */
    private static long text(FindingCount count) {
        return FieldId.of(count.firstItem(), count.key().field());
    }

    @GetMapping("/findings/checks")
    List<CheckCount> checks(@PathVariable long propertyId) {
        Map<Check, Integer> counts = new LinkedHashMap<>();
        for (FindingCount count : items.findingCounts(propertyId)) {
            Check check = Checks.of(count.key().field(), count.key().check());
            counts.merge(check, count.items(), Integer::sum);
        }
        return counts.entrySet().stream()
                .map(entry -> new CheckCount(
                        entry.getKey().field(),
                        entry.getKey().code(),
                        entry.getKey().field().label() + " " + entry.getKey().label(),
                        entry.getValue()))
                .sorted(Comparator.comparing(CheckCount::field)
                        .thenComparing(
                                Comparator.comparingInt(CheckCount::items).reversed())
                        .thenComparing(CheckCount::check))
                .toList();
    }

    /**
     * What faults cost here.
     *
     * @param items how many items with demand the costs were fitted to
     * @param from, to the days whose demand counts, as ISO dates; "" where there is none
     * @param months how many months of them are reported
     */
    record CostsView(int items, String from, String to, double months, List<CostView> costs) {

        static CostsView of(Stakes.Costs costs) {
            boolean none = costs.demand().byItem().isEmpty();
            List<CostView> views = new ArrayList<>();
            for (int i = 0; i < AppealFaults.checks().size(); i++) {
                views.add(
                        CostView.of(AppealFaults.checks().get(i), costs.model().cost(i)));
            }
            views.sort(Comparator.comparingDouble(CostView::effect));
            return new CostsView(
                    costs.model().items(),
                    none ? "" : LocalDate.ofEpochDay(costs.demand().from()).toString(),
                    none ? "" : LocalDate.ofEpochDay(costs.demand().to()).toString(),
                    costs.demand().months(),
                    views);
        }
    }

    /**
     * What one kind of fault costs.
     *
     * @param effect, low, high how the log of an item's clicks changes with it
     * @param lostShare the share of its clicks that an item loses, 1 at most; below 0 where it wins some
     * @param lostLow, lostHigh the ends of its 95% interval
     * @param items how many items with demand have it
     */
    record CostView(
            Field field,
            String check,
            String label,
            double effect,
            double low,
            double high,
            double lostShare,
            double lostLow,
            double lostHigh,
            int items,
            Cost.Source source) {

        static CostView of(Check check, Cost cost) {
            return new CostView(
                    check.field(),
                    check.code(),
                    check.field().label() + " " + check.label(),
                    cost.effect(),
                    cost.low(),
                    cost.high(),
                    Cost.lostShare(cost.effect()),
                    Cost.lostShare(cost.high()),
                    Cost.lostShare(cost.low()),
                    cost.items(),
                    cost.source());
        }
    }

    @GetMapping("/costs")
    CostsView costs(@PathVariable long propertyId) {
        return CostsView.of(stakes.costs(propertyId));
    }

    @GetMapping("/costs.csv")
    ResponseEntity<StreamingResponseBody> costsCsv(@PathVariable long propertyId) {
        CostsView costs = costs(propertyId);
        return Rows.download("costs.csv", csv -> {
            csv.row("field", "check", "coefficient", "low", "high", "items", "source");
            for (CostView cost : costs.costs()) {
                csv.row(
                        cost.field(),
                        cost.check(),
                        cost.effect(),
                        cost.low(),
                        cost.high(),
                        cost.items(),
                        cost.source());
            }
        });
    }

    @GetMapping("/causes.csv")
    ResponseEntity<StreamingResponseBody> causesCsv(@PathVariable long propertyId) {
        List<CauseView> causes = causes(propertyId);
        return Rows.download("causes.csv", csv -> {
            csv.row("field", "check", "items", "links", "clicks", "low", "high", "weight", "section", "shared", "says");
            for (CauseView cause : causes) {
                csv.row(
                        cause.field(),
                        cause.check(),
                        cause.items(),
                        cause.links(),
                        Math.round(cause.stake().clicks()),
                        Math.round(cause.stake().low()),
                        Math.round(cause.stake().high()),
                        Math.round(cause.weight()),
                        cause.section(),
                        cause.shared(),
                        cause.says());
            }
        });
    }

    @GetMapping("/findings.csv")
    ResponseEntity<StreamingResponseBody> csv(@PathVariable long propertyId) {
        return Rows.download("findings.csv", csv -> {
            csv.row("address", "field", "check", "evidence", "counted");
            findings.forEach(
                    propertyId,
                    row -> csv.row(
                            row.address(), row.field(), row.check(), row.evidence(), row.counted() ? "yes" : "no"));
        });
    }
}
