package lucidsweep.server.command;

import java.nio.file.Path;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.demand.DemandRows.By;
import lucidsweep.core.demand.DemandRows.Only;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.core.effect.Changed;
import lucidsweep.core.effect.Effect;
import lucidsweep.core.effect.EffectStudy;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.CsvText;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Works out from files alone what a change of some items brought. */
@Command(
        name = "effect",
        description =
                "Works out what a change of some items brought, against comparable ones left alone; writes effect.csv and weeks.csv.")
final class EffectCommand implements Callable<Integer> {

    private static final int DRAWS = 1_000;
    private static final int SAMPLE_ROWS = 2_000;
    private static final String LIVE = "live";

    @Option(
            names = "--demand",
            required = true,
            paramLabel = "FILE",
            description = "clicks, impressions and positions by item and week or day, for a year or more")
    private Path demandFile;

    @Option(
            names = "--changed",
            required = true,
            paramLabel = "FILE",
            description = "the addresses of the changed items, and when each went live in a column \"live\"")
    private Path changedFile;

    @Option(names = "--live", paramLabel = "DATE", description = "when those went live whose line has no day")
    private String live;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "where the tables are written")
    private Path out;

    private final List<String> said = new ArrayList<>();
    private final Map<String, Integer> numbers = new HashMap<>();
    private final List<String> addresses = new ArrayList<>();

    @Override
    public Integer call() {
        TableFile demand = CommandFiles.table(demandFile);
        Map<String, Integer> changed = changed(CommandFiles.table(changedFile));
        CommandFiles.folder(out);
        DemandRows rows = rows(demand);
        if (rows.size() == 0) throw new Unusable("no row of " + demandFile + " names an item");
        WeeklyFigures figures = rows.weekly(
                By.ITEM, Only.ANY, IntStream.range(0, addresses.size()).toArray());
        List<Changed> of = new ArrayList<>();
        boolean[] isChanged = new boolean[addresses.size()];
        List<String> missing = new ArrayList<>();
        changed.forEach((address, day) -> {
            Integer number = numbers.get(address);
            if (number == null) {
                missing.add(address);
                return;
            }
            isChanged[number] = true;
            of.add(Changed.in(number, figures.week(day)));
        });
        if (of.isEmpty())
            throw new Unusable("none of the changed items stands in the demand, such as " + missing.get(0));
        int[] left = figures.withClicks(1);
        left = Arrays.stream(left).filter(item -> !isChanged[item]).toArray();
        Effect effect = EffectStudy.of(figures, templates(), of, left, DRAWS);
        write(effect);
        said.forEach(line -> System.err.println("lucid: " + line));
        if (!missing.isEmpty())
            System.err.printf(Locale.ROOT, "lucid: %,d changed items are not in the demand%n", missing.size());
        System.out.println(effect.words(false));
        return 0;
    }

    /** The changed items by address, and the day on which each went live. */
    private Map<String, Integer> changed(TableFile table) {
        List<List<String>> first = table.first(SAMPLE_ROWS);
        Mapping mapping = Mapping.guess(RowKind.PAGES, first);
        if (!mapping.meanings().contains(Meaning.ADDRESS))
            throw new Unusable("expected a column of addresses in " + changedFile);
        int found = -1;
        for (int i = 0; i < mapping.columns().size(); i++)
            if (mapping.columns().get(i).strip().equalsIgnoreCase(LIVE)) found = i;
        int liveColumn = found;
        Map<String, Integer> changed = new TreeMap<>();
        new Intake(RowKind.PAGES, mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                String written = liveColumn >= 0 && liveColumn < cells.size()
                        ? cells.get(liveColumn).strip()
                        : "";
                String address = row.get(Meaning.ADDRESS);
                changed.put(normal(address), day(written, address));
            }

            @Override
            public void unreadable(long line, String reason) {
                said.add("changed items, line " + line + ": " + reason);
            }
        });
        if (changed.isEmpty()) throw new Unusable(changedFile + " names no item");
        return changed;
    }

    private int day(String written, String address) {
        String text = written.isEmpty() ? live : written;
        if (text == null) throw new Unusable(changedFile + " says no day for " + address + "; give --live for those");
        String iso = WrittenDate.iso(text, WrittenDate.Order.DAY_FIRST).orElse(text);
        try {
            return (int) LocalDate.parse(iso).toEpochDay();
        } catch (DateTimeParseException e) {
            throw new Unusable("expected a day such as 2026-11-25, got \"" + text + "\"");
        }
    }

    private DemandRows rows(TableFile table) {
        int[] last = {Integer.MIN_VALUE};
        DemandFile.forEach(
                table,
                new ArrayList<>(),
                row -> last[0] = Math.max(last[0], DemandFile.day(row.get(Meaning.TO), last[0])));
        if (last[0] == Integer.MIN_VALUE) throw new Unusable("no row of " + demandFile + " names its days");
        DemandRows rows = new DemandRows();
        Map<String, Integer> queries = new HashMap<>();
        DemandFile.forEach(table, said, row -> {
            if (row.get(Meaning.ADDRESS).isEmpty()) return;
            String query = row.get(Meaning.QUERY);
            rows.add(
                    numbers.computeIfAbsent(normal(row.get(Meaning.ADDRESS)), address -> {
                        addresses.add(address);
                        return addresses.size() - 1;
                    }),
                    query.isEmpty() ? DemandRows.NONE : queries.computeIfAbsent(query, any -> queries.size()),
                    0,
                    DemandFile.first(row, last[0]),
                    DemandFile.last(row, last[0]),
                    DemandFile.count(row.get(Meaning.CLICKS)),
                    DemandFile.count(row.get(Meaning.IMPRESSIONS)),
                    DemandFile.position(row));
        });
        return rows;
    }

    private static String normal(String address) {
        return PageAddress.text(address).orElse(address);
    }

    private int[] templates() {
        Map<String, Integer> sections = new HashMap<>();
        return addresses.stream()
                .mapToInt(address -> sections.computeIfAbsent(PageAddress.section(address), any -> sections.size()))
                .toArray();
    }

    private void write(Effect effect) {
        try (CsvText csv = CommandFiles.csv(out, "effect.csv")) {
            csv.row("figure", "difference", "low", "high", "items", "held_against", "verdict");
            row(csv, "clicks", effect.clicks(), effect);
            row(csv, "ctr", effect.rate(), effect);
            row(csv, "position", effect.position(), effect);
        }
        try (CsvText csv = CommandFiles.csv(out, "weeks.csv")) {
            csv.row("week", "clicks", "expected", "low", "high", "counts");
            for (Effect.EffectWeek week : effect.weeks()) {
                csv.row(
                        week.week(),
                        decimal(week.actual()),
                        decimal(week.expected()),
                        decimal(week.low()),
                        decimal(week.high()),
                        week.counted() ? "yes" : "no");
            }
        }
    }

    private static void row(CsvText csv, String figure, Effect.Difference difference, Effect effect) {
        csv.row(
                figure,
                decimal(difference.share()),
                decimal(difference.low()),
                decimal(difference.high()),
                effect.items(),
                effect.controls(),
                effect.verdict().toString());
    }

    private static String decimal(double number) {
        return String.format(Locale.ROOT, "%.4f", number);
    }
}
