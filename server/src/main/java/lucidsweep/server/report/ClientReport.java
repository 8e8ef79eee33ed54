package lucidsweep.server.report;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Cut;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.ItemFilter;
import lucidsweep.server.item.table.ItemRow;
import lucidsweep.server.item.table.ItemSort;
import lucidsweep.server.item.table.ItemView;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.release.Handover;
import lucidsweep.server.release.LiveReleases;
import lucidsweep.server.release.Releases;
import lucidsweep.server.triage.Checklist;
import lucidsweep.server.triage.FittedCosts;
import lucidsweep.server.triage.RankedCauses;
import lucidsweep.server.triage.Stakes;
import lucidsweep.server.triage.SweepCount;
import org.springframework.stereotype.Component;

/** Gathers what a report says of a property. */
@Component
class ClientReport {

    private static final int MOST_CAUSES = 15;
    private static final int MOST_EXAMPLES = 5;
    private static final int MOST_DRAFTED = 2;
    private static final int LOOKED_AT = 200;
    private static final int MOST_NEXT = 5;
    private static final double ALL_THE_BAR = 100;

    private final Clients clients;
    private final Items items;
    private final RankedCauses causes;
    private final Checklist checklist;
    private final Stakes stakes;
    private final Releases releases;
    private final LiveReleases liveReleases;

    ClientReport(
            Clients clients,
            Items items,
            RankedCauses causes,
            Checklist checklist,
            Stakes stakes,
            Releases releases,
            LiveReleases liveReleases) {
        this.liveReleases = liveReleases;
        this.clients = clients;
        this.items = items;
        this.causes = causes;
        this.checklist = checklist;
        this.stakes = stakes;
        this.releases = releases;
    }

    /**
     * How a report looks.
     *
     * @param logo a picture as a data address; null for none
     */
    record Look(String language, String colour, String logo) {}

    /** A report, all in words; a part that is not wanted or has nothing to say is null. */
    record Report(
            Look look,
            String heading,
            String subheading,
            List<String> lookedAt,
            Found found,
            Part cost,
            Examples examples,
            CheckTable checks,
            Part done,
            Part next,
            String made) {}

    /** Sentences under a heading. */
    record Part(String heading, List<String> sentences) {}

    /** The causes in a table. */
    record Found(String heading, List<String> columns, List<Row> rows) {}

    /**
     * A cause.
     *
     * @param bar its length in percent of the longest
     */
    record Row(String what, String items, String clicks, long bar) {}

    /** Results as searchers see them. */
    record Examples(String heading, String note, String nowLabel, String proposedLabel, List<Example> examples) {}

    /** A result as it is, and as it is proposed; null where nothing is. */
    record Example(String address, Result now, Result proposed, String why) {}

    /** A title and a description as far as they are shown. */
    record Result(String title, List<String> lines) {}

    /** What is in place. */
    record CheckTable(String heading, List<String> columns, List<CheckRow> rows) {}

    record CheckRow(String what, String now, String before) {}

    Report of(long propertyId, ReportForm form) {
        ReportWords words = new ReportWords(form.languageOrEnglish());
        Property property = clients.property(propertyId);
        Client client = clients.client(property.clientId());
        Items.Counts counts = items.counts(propertyId);
        List<SweepCount> sweeps = checklist.sweeps(propertyId);
        Optional<FittedCosts> costs = stakes.costs(propertyId);
        List<Cause> found = causes.of(propertyId);
        return new Report(
                new Look(words.language(), form.colourOrOurs(), form.logo()),
                words.say("heading", client.name()),
                words.say("subheading", property.name(), words.day(LocalDate.now())),
                lookedAt(words, counts, sweeps),
                form.has(ReportSection.FOUND) ? found(words, found) : null,
                form.has(ReportSection.COST) ? cost(words, counts.stake(), costs) : null,
                form.has(ReportSection.EXAMPLES) ? examples(words, property) : null,
                form.has(ReportSection.CHECKLIST) ? checks(words, propertyId, counts, sweeps) : null,
                form.has(ReportSection.DONE) ? done(words, propertyId, counts) : null,
                form.has(ReportSection.NEXT) ? next(words, found) : null,
                words.say("made"));
    }

    private static List<String> lookedAt(ReportWords words, Items.Counts counts, List<SweepCount> sweeps) {
        List<String> said = new ArrayList<>();
        said.add(words.say("looked-at", words.number(counts.items()), words.number(counts.indexable())));
        said.add(words.say("with-findings", words.number(counts.withFindings())));
        if (!sweeps.isEmpty()) {
            said.add(words.say(
                    "last-sweep", words.day(sweeps.get(sweeps.size() - 1).swept())));
        }
        return said;
    }

    private static Found found(ReportWords words, List<Cause> causes) {
        List<Cause> some = causes.stream().limit(MOST_CAUSES).toList();
        if (some.isEmpty()) return null;
        boolean clicks = some.get(0).stake().high() > 0;
        double most =
                some.stream().mapToDouble(cause -> worth(cause, clicks)).max().orElse(1);
        List<Row> rows = some.stream()
                .map(cause -> new Row(
                        what(words, cause),
                        words.number(cause.items()),
                        clicks ? interval(words, cause.stake()) : "",
                        Math.round(ALL_THE_BAR * worth(cause, clicks) / Math.max(1e-9, most))))
                .toList();
        return new Found(
                words.say("found"),
                List.of(words.say("column.what"), words.say("column.items"), clicks ? words.say("column.clicks") : ""),
                rows);
    }

    private static double worth(Cause cause, boolean clicks) {
        return clicks ? cause.stake().clicks() : cause.weight();
    }

    private static String what(ReportWords words, Cause cause) {
        if (words.language().equals("en")) return cause.says();
        String where = cause.trait() == null ? cause.section() : cause.trait().value();
        return words.check(cause.check()) + (where.isEmpty() ? "" : " (" + where + ")");
    }

    private static String interval(ReportWords words, Stake stake) {
        return stake.high() < 0.5
                ? "–"
                : words.say(
                        "interval",
                        words.number(stake.clicks()),
                        words.number(stake.low()),
                        words.number(stake.high()));
    }

    private static Part cost(ReportWords words, Stake all, Optional<FittedCosts> costs) {
        List<String> said = new ArrayList<>();
        if (costs.isEmpty()) {
            said.add(words.say("cost.unknown"));
            return new Part(words.say("cost"), said);
        }
        said.add(words.say("cost.all", words.number(all.clicks()), words.number(all.low()), words.number(all.high())));
        said.add(words.say(
                "cost.how",
                words.number(costs.get().items()),
                words.day(LocalDate.ofEpochDay(costs.get().from())),
                words.day(LocalDate.ofEpochDay(costs.get().to()))));
        return new Part(words.say("cost"), said);
    }

    /** Some that have a proposal, then those with most at stake. */
    private Examples examples(ReportWords words, Property property) {
        List<ItemRow> rows = new ArrayList<>(most(property, ItemFilter.ofAnyDraft()).stream()
                .filter(ClientReport::isDrafted)
                .limit(MOST_DRAFTED)
                .toList());
        most(property, ItemFilter.ALL).stream()
                .filter(row -> !isDrafted(row) && row.findings().stream().anyMatch(ClientReport::isSeen))
                .limit(MOST_EXAMPLES - rows.size())
                .forEach(rows::add);
        List<Example> examples = rows.stream()
                .map(row -> example(words, property.standard(), row))
                .toList();
        if (examples.isEmpty()) return null;
        return new Examples(
                words.say("examples"),
                words.say("examples.note"),
                words.say("examples.now"),
                words.say("examples.proposed"),
                examples);
    }

    private List<ItemRow> most(Property property, ItemFilter filter) {
        ItemView view = new ItemView(property.id(), filter, ItemSort.STAKE, true, null, null);
        return items.slice(view, 0, LOOKED_AT, ItemRow.Details.NONE).rows().stream()
                .filter(row -> row.indexing().noindex() == null)
                .toList();
    }

    private static boolean isDrafted(ItemRow row) {
        return row.title().draft() != null || row.description().draft() != null;
    }

    private static boolean isSeen(ItemRow.Finding finding) {
        return switch (finding.field()) {
            case TITLE, DESCRIPTION -> true;
            default -> false;
        };
    }

    private static Example example(ReportWords words, Standard standard, ItemRow row) {
        String why = row.findings().stream()
                .filter(ClientReport::isSeen)
                .map(finding -> words.check(Checks.of(finding.field(), finding.check())))
                .distinct()
                .reduce((one, other) -> one + " · " + other)
                .orElse("");
        return new Example(
                row.address(),
                result(
                        words,
                        standard,
                        row.title().captured(),
                        row.description().captured()),
                isDrafted(row)
                        ? result(
                                words,
                                standard,
                                row.title().text(),
                                row.description().text())
                        : null,
                why);
    }

    private static Result result(ReportWords words, Standard standard, String title, String description) {
        String shown = title.isBlank()
                ? words.say("none")
                : String.join(" ", Cut.of(title, standard.title().desktop()).lines());
        List<String> lines = description.isBlank()
                ? List.of(words.say("no-description"))
                : Cut.of(description, standard.description().desktop()).lines();
        return new Result(shown, lines);
    }

    private CheckTable checks(ReportWords words, long propertyId, Items.Counts counts, List<SweepCount> sweeps) {
        if (counts.indexable() == 0) return null;
        SweepCount before = sweeps.size() < 2 ? null : sweeps.get(sweeps.size() - 2);
        List<CheckRow> rows = checklist.of(propertyId).lines().stream()
                .filter(line -> line.items() > 0 || line.before().stream().anyMatch(items -> items > 0))
                .map(line -> new CheckRow(
                        words.check(line.check()),
                        words.percent(1 - line.items() / (double) counts.indexable()),
                        before == null
                                        || before.indexable() == 0
                                        || line.before().size() < 2
                                ? ""
                                : words.percent(1 - beforeLast(line) / (double) before.indexable())))
                .toList();
        return new CheckTable(
                words.say("checklist"),
                List.of(
                        words.say("column.check"),
                        words.say("column.now"),
                        before == null ? "" : words.day(before.swept())),
                rows);
    }

    private static int beforeLast(Checklist.Line line) {
        return line.before().get(line.before().size() - 2);
    }

    private Part done(ReportWords words, long propertyId, Items.Counts counts) {
        List<String> said = new ArrayList<>();
        int live = counts.drafts().getOrDefault(DraftState.LIVE, 0);
        int delivered = counts.drafts().getOrDefault(DraftState.DELIVERED, 0) + live;
        int waiting = counts.drafts().getOrDefault(DraftState.DRAFTED, 0)
                + counts.drafts().getOrDefault(DraftState.APPROVED, 0)
                + counts.drafts().getOrDefault(DraftState.RELEASED, 0)
                + counts.drafts().getOrDefault(DraftState.SENT_BACK, 0);
        if (delivered > 0) said.add(words.say("done.delivered", words.number(delivered), words.number(live)));
        Map<Long, Integer> seen = liveReleases.counts(propertyId);
        for (Handover handover : releases.ofProperty(propertyId)) {
            said.add(words.say(
                    "done.handover",
                    words.day(handover.created()),
                    words.number(handover.texts()),
                    words.number(handover.items()),
                    words.number(seen.getOrDefault(handover.id(), 0)),
                    handover.name().isEmpty() ? "" : " (“" + handover.name() + "”)"));
        }
        if (waiting > 0) said.add(words.say("done.waiting", words.number(waiting)));
        if (said.isEmpty()) said.add(words.say("done.nothing"));
        return new Part(words.say("done"), said);
    }

    private static Part next(ReportWords words, List<Cause> causes) {
        List<String> said = causes.stream()
                .limit(MOST_NEXT)
                .map(cause -> words.fix(cause.fix()) + ": " + what(words, cause))
                .toList();
        return said.isEmpty() ? null : new Part(words.say("next"), said);
    }
}
