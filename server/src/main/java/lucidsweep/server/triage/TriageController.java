package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.finding.CauseGroup;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Fix;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.FindingCount;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Refusal;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class TriageController {

    private final RankedCauses causes;
    private final TriageTables tables;
    private final Checklist checklist;
    private final Items items;
    private final LifeSinceSweeps lives;

    TriageController(
            RankedCauses causes, TriageTables tables, Checklist checklist, Items items, LifeSinceSweeps lives) {
        this.causes = causes;
        this.checklist = checklist;
        this.tables = tables;
        this.items = items;
        this.lives = lives;
    }

    /**
     * A cause as the interface shows it.
     *
     * @param trait what else its items have in common, as a filter has it: "folder /boats/kits/"; "" for nothing
     * @param items how many it is of; of merged causes their findings
     * @param fix the action that fixes it; null of merged causes, which have their own
     * @param parts the causes that a person merged into this one; none of a single cause
     */
    record CauseView(
            Field field,
            String check,
            String shared,
            String section,
            String trait,
            int items,
            long links,
            Stake stake,
            double weight,
            String says,
            @Nullable Fix fix,
            List<CauseView> parts) {

        static CauseView of(Cause cause) {
            return new CauseView(
                    cause.check().field(),
                    cause.check().code(),
                    cause.shared(),
                    cause.section(),
                    cause.having(),
                    cause.items(),
                    cause.links(),
                    cause.stake(),
                    cause.weight(),
                    cause.says(),
                    cause.fix(),
                    List.of());
        }

        static CauseView of(CauseGroup group) {
            List<CauseView> parts = group.causes().stream().map(CauseView::of).toList();
            if (group.name().isEmpty()) return parts.get(0);
            return new CauseView(
                    parts.get(0).field,
                    "",
                    "",
                    "",
                    "",
                    group.findings(),
                    group.links(),
                    group.stake(),
                    group.weight(),
                    group.name(),
                    null,
                    parts);
        }
    }

    /**
     * Findings of one check, counted; of items that are not indexable only those that are about that.
     *
     * @param label with the name of the field: "title too long"
     * @param name without it: "too long"
     */
    record CheckCount(Field field, String check, String label, String name, int items) {}

    @GetMapping("/causes")
    List<CauseView> causes(@PathVariable long propertyId) {
        return causes.groups(propertyId).stream().map(CauseView::of).toList();
    }

    /** What became of findings since each of the last sweeps, the latest first. */
    @GetMapping("/findings/life")
    List<LifeSinceSweeps.LifeView> life(@PathVariable long propertyId) {
        return lives.of(propertyId);
    }

    /** A cause that is set aside, why, and until which month; "" for good. */
    record AsideView(CauseView cause, String reason, String untilMonth) {}

    @GetMapping("/causes/aside")
    List<AsideView> aside(@PathVariable long propertyId) {
        return causes.aside(propertyId).stream()
                .map(each -> new AsideView(
                        CauseView.of(each.cause()),
                        each.note().reason(),
                        each.note().untilMonth()))
                .toList();
    }

    /**
     * What is said of causes; what is null stays as it was.
     *
     * @param name another name for each; "" for its own
     * @param merged a name under which they become one; "" parts them
     * @param aside whether they are set aside, which needs a reason
     * @param untilMonth when it comes back: "2027-03"; "" or null for never
     */
    record CauseWords(
            @NotEmpty @Size(max = 1_000) List<@Valid @NotNull CauseKey> causes,

            @Nullable @Size(max = 300, message = "has at most 300 characters")
            String name,

            @Nullable @Size(max = 300, message = "has at most 300 characters")
            String merged,

            @Nullable Boolean aside,

            @Nullable @Size(max = 1_000, message = "has at most 1,000 characters")
            String reason,

            @Nullable @Pattern(regexp = "|\\d{4}-(0[1-9]|1[0-2])", message = "is a month such as 2027-03, or nothing")
            String untilMonth) {}

    @PutMapping("/causes/note")
    void note(@PathVariable long propertyId, @Valid @RequestBody CauseWords words) {
        try {
            words.causes().forEach(cause -> Checks.of(cause.field(), cause.check()));
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput(e.getMessage());
        }
        String reason = Objects.requireNonNullElse(words.reason(), "").strip();
        if (Boolean.TRUE.equals(words.aside()) && reason.isEmpty())
            throw Refusal.badInput("a reason is needed to set a cause aside");
        causes.note(propertyId, words.causes(), said -> {
            CauseNote note =
                    words.name() == null ? said : said.named(words.name().strip());
            if (words.merged() != null) note = note.merged(words.merged().strip());
            if (words.aside() == null) return note;
            return words.aside()
                    ? note.setAside(reason, Objects.requireNonNullElse(words.untilMonth(), ""))
                    : note.broughtBack();
        });
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
                        entry.getKey().label(),
                        entry.getValue()))
                .sorted(Comparator.comparing(CheckCount::field)
                        .thenComparing(
                                Comparator.comparingInt(CheckCount::items).reversed())
                        .thenComparing(CheckCount::check))
                .toList();
    }

    /**
     * What is in place, check by check.
     *
     * @param indexable how many items it is about now
     * @param sweeps those before, the earliest first
     */
    record ChecklistView(int indexable, List<SweepView> sweeps, List<LineView> checks) {}

    /** What a sweep left. */
    record SweepView(Instant swept, int indexable, int withFindings, double clicks) {}

    /**
     * A check with how many items it finds something of.
     *
     * @param before the same after each of the latest sweeps that looked for it
     */
    record LineView(Field field, String check, String label, int items, List<Integer> before) {}

    @GetMapping("/checklist")
    ChecklistView checklist(@PathVariable long propertyId, @RequestParam(required = false) Long set) {
        Checklist.InPlace inPlace = checklist.of(propertyId, set);
        return new ChecklistView(
                inPlace.indexable(),
                inPlace.sweeps().stream()
                        .map(sweep ->
                                new SweepView(sweep.swept(), sweep.indexable(), sweep.withFindings(), sweep.clicks()))
                        .toList(),
                inPlace.lines().stream()
                        .map(line -> new LineView(
                                line.check().field(),
                                line.check().code(),
                                line.check().label(),
                                line.items(),
                                line.before()))
                        .toList());
    }

    /** Findings of a field in a section. */
    record SpotView(String section, Field field, int findings, double clicks) {}

    /** Where the findings are: by section and field, without those of items that are not indexable. */
    @GetMapping("/findings/spots")
    List<SpotView> spots(@PathVariable long propertyId) {
        return items.findingCounts(propertyId).stream()
                .filter(count -> !count.key().check().equals(NotIndexable.CODE))
                .map(count -> new SpotView(
                        count.key().section(),
                        count.key().field(),
                        count.items(),
                        count.stake().clicks()))
                .collect(Collectors.toMap(
                        spot -> spot.section() + "\n" + spot.field(),
                        Function.identity(),
                        (one, other) -> new SpotView(
                                one.section(),
                                one.field(),
                                one.findings() + other.findings(),
                                one.clicks() + other.clicks()),
                        TreeMap::new))
                .values()
                .stream()
                .toList();
    }

    @GetMapping({"/causes.csv", "/causes.xlsx"})
    ResponseEntity<StreamingResponseBody> causesFile(@PathVariable long propertyId) {
        return Rows.download("causes", rows -> tables.causes(propertyId, rows));
    }

    @GetMapping({"/findings.csv", "/findings.xlsx"})
    ResponseEntity<StreamingResponseBody> findingsFile(@PathVariable long propertyId) {
        return Rows.download("findings", rows -> tables.findings(propertyId, rows));
    }
}
