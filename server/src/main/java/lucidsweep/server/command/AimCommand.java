package lucidsweep.server.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Callable;
import lucidsweep.core.aim.AimPlan;
import lucidsweep.core.aim.KeywordMapper;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.demand.BetterKeywords;
import lucidsweep.core.demand.ClickCurve;
import lucidsweep.core.keyword.Decided;
import lucidsweep.core.keyword.GuessedBrand;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.Target;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.CommonPart;
import lucidsweep.server.aim.keywords.KeywordList;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.CsvText;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Works out what items should be found for, from files, and writes targets, gaps, better keywords and the click curve. */
@Command(
        name = "aim",
        description =
                "Works out what each item should be found for; writes targets.csv, gaps.csv, better.csv and curve.csv.")
final class AimCommand implements Callable<Integer> {

    private static final int SAMPLE_ROWS = 2_000;

    /** What stands for the last day where demand names no days; any would do. */
    private static final int SOME_DAY = 20_000;

    private final List<Item> items = new ArrayList<>();
    private final List<String> said = new ArrayList<>();
    private final GuessedBrand guessed = new GuessedBrand();
    private boolean tagged;
    private final CommonPart.Finder endings = new CommonPart.Finder(CommonPart.Side.END);

    private record Item(String address, ItemTexts texts, int published) {}

    @Option(names = "--items", required = true, paramLabel = "FILE", description = "pages, listings or videos")
    private Path itemFile;

    @Option(names = "--keywords", required = true, paramLabel = "FILE", description = "keywords, with volumes if known")
    private Path keywordFile;

    @Option(names = "--demand", paramLabel = "FILE", description = "demand: clicks and impressions by query")
    private Path demandFile;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "where the tables are written")
    private Path out;

    @Option(
            names = "--brand",
            paramLabel = "NAMES",
            split = ",",
            description = "the brand's names; guessed if left out")
    private List<String> brandNames;

    @Option(names = "--language", paramLabel = "CODE", description = "of the items; told from them if left out")
    private String languageCode;

    @Override
    public Integer call() {
        TableFile itemTable = CommandFiles.table(itemFile);
        TableFile keywordTable = CommandFiles.table(keywordFile);
        Optional<TableFile> demand = Optional.ofNullable(demandFile).map(CommandFiles::table);
        CommandFiles.folder(out);
        readItems(itemTable);
        KeywordList keywords = KeywordList.read(keywordTable);
        if (keywords.lines().isEmpty()) throw new Unusable("no keyword could be read");
        keywords.unreadable().forEach(each -> said.add("keywords, line " + each.line() + ": " + each.reason()));
        keywords.notes().forEach(each -> said.add("keywords, line " + each.line() + ": " + each.reason()));
        Words language = Words.in(ItemLanguage.of(itemTable, languageCode));
        List<String> phrases =
                keywords.lines().stream().map(KeywordList.Line::phrase).toList();
        int today = demand.map(this::lastDay).orElse(SOME_DAY);
        List<String> brand = brandNames == null
                ? guessed.names(phrases, language)
                : brandNames.stream().map(String::strip).toList();
        String titleEnding = brandNames != null ? brand.get(0) : guessed.titleEnding();
        Standard standard = Standard.ofPages();
        KeywordMapper aiming = new KeywordMapper(language, standard, brand, titleEnding, List.of(), today, tagged);
        aiming.commonEndings(endings
                .common(standard.alike().endingShare(), 0, standard.title().desktop())
                .stream()
                .map(CommonPart::text)
                .toList());
        for (KeywordList.Line line : keywords.lines()) {
            aiming.keyword(line.phrase(), line.volume() == null ? 0 : line.volume());
        }
        demand.ifPresent(table -> readDemand(table, aiming, today));
        for (int i = 0; i < this.items.size(); i++) {
            Item item = this.items.get(i);
            aiming.item(i, item.address, PageAddress.section(item.address), item.texts, item.published);
        }
        AimPlan plan = aiming.plan(new Decided());
        writeTargets(out, plan, phrases);
        writeGaps(out, plan, keywords.lines());
        writeBetter(out, plan, aiming);
        writeCurve(out, plan.curve());
        report(plan, brand);
        return 0;
    }

    private void readItems(TableFile table) {
        List<List<String>> first = table.first(SAMPLE_ROWS);
        Mapping asPages = Mapping.guess(RowKind.PAGES, first);
        RowKind kind = asPages.isComplete(RowKind.PAGES) ? RowKind.PAGES : RowKind.LISTINGS;
        Mapping mapping = kind == RowKind.PAGES ? asPages : Mapping.guess(kind, first);
        Map<String, Integer> columns = new HashMap<>();
        tagged = mapping.meanings().contains(Meaning.TAGS);
        for (int i = 0; i < mapping.columns().size(); i++) {
            columns.putIfAbsent(
                    mapping.columns().get(i).toLowerCase(Locale.ROOT).strip(), i);
        }
        new Intake(kind, mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                if (cell(cells, "indexable").equalsIgnoreCase("no")) return;
                String address = row.get(Meaning.ADDRESS).isEmpty() ? row.get(Meaning.ID) : row.get(Meaning.ADDRESS);
                String title = row.get(Meaning.TITLE);
                ItemTexts texts = new ItemTexts(
                        title,
                        cell(cells, "h1"),
                        PageAddress.slugWords(address),
                        row.get(Meaning.GROUP),
                        (cell(cells, "link_texts") + " " + row.get(Meaning.TAGS)).strip(),
                        cell(cells, "copy") + " " + row.get(Meaning.DESCRIPTION));
                items.add(new Item(
                        address.isEmpty() ? title : address, texts, DemandFile.day(row.get(Meaning.PUBLISHED), -1)));
                guessed.add(address, title);
                endings.add(title);
            }

            @Override
            public void unreadable(long line, String reason) {
                said.add("items, line " + line + ": " + reason);
            }

            private String cell(List<String> cells, String column) {
                Integer at = columns.get(column);
                return at == null || at >= cells.size() ? "" : cells.get(at);
            }
        });
    }

    /** The last day that demand is reported of; what it tells of the brand is taken in on the way. */
    private int lastDay(TableFile table) {
        int[] last = {Integer.MIN_VALUE};
        DemandFile.forEach(table, new ArrayList<>(), row -> {
            last[0] = Math.max(last[0], DemandFile.day(row.get(Meaning.TO), last[0]));
            if (row.get(Meaning.QUERY).isEmpty()) return;
            guessed.addDemand(
                    row.get(Meaning.ADDRESS),
                    row.get(Meaning.QUERY),
                    DemandFile.count(row.get(Meaning.CLICKS)),
                    DemandFile.count(row.get(Meaning.IMPRESSIONS)),
                    DemandFile.position(row));
        });
        return last[0] == Integer.MIN_VALUE ? SOME_DAY : last[0];
    }

    private void readDemand(TableFile table, KeywordMapper aiming, int today) {
        DemandFile.forEach(
                table,
                said,
                row -> aiming.demand(
                        row.get(Meaning.ADDRESS),
                        row.get(Meaning.QUERY),
                        DemandFile.first(row, today),
                        DemandFile.last(row, today),
                        DemandFile.count(row.get(Meaning.CLICKS)),
                        DemandFile.count(row.get(Meaning.IMPRESSIONS)),
                        DemandFile.position(row)));
    }

    private String address(long item) {
        return items.get((int) item).address;
    }

    private void writeTargets(Path out, AimPlan plan, List<String> phrases) {
        try (CsvText csv = CommandFiles.csv(out, "targets.csv")) {
            csv.row("address", "keyword", "role", "score", "reason");
            for (Target target : plan.targets()) {
                csv.row(
                        address(target.item()),
                        phrases.get(target.keyword()),
                        target.role().code(),
                        decimal("%.3f", target.score()),
                        target.reason());
            }
        }
    }

    private static void writeGaps(Path out, AimPlan plan, List<KeywordList.Line> keywords) {
        try (CsvText csv = CommandFiles.csv(out, "gaps.csv")) {
            csv.row("topic", "keyword", "volume", "slug", "title");
            for (AimPlan.Gap gap : plan.gaps()) {
                for (int keyword : gap.keywords()) {
                    KeywordList.Line line = keywords.get(keyword);
                    csv.row(
                            gap.topic(),
                            line.phrase(),
                            line.volume() == null ? "" : line.volume(),
                            gap.page().slug(),
                            gap.page().title());
                }
            }
        }
    }

    private void writeBetter(Path out, AimPlan plan, KeywordMapper aiming) {
        try (CsvText csv = CommandFiles.csv(out, "better.csv")) {
            csv.row("address", "keyword_now", "keyword_better", "impressions", "position", "value", "reason");
            for (BetterKeywords.Better better : plan.better()) {
                csv.row(
                        address(better.item()),
                        better.now(),
                        aiming.query(better.query()),
                        Math.round(better.shown()),
                        decimal("%.1f", better.rank().position()),
                        decimal("%.1f", better.value()),
                        better.reason());
            }
        }
    }

    private static void writeCurve(Path out, ClickCurve curve) {
        try (CsvText csv = CommandFiles.csv(out, "curve.csv")) {
            csv.row("position", "rate", "low", "high");
            for (ClickCurve.Point point : curve.points()) {
                csv.row(
                        point.position(),
                        decimal("%.5f", point.rate()),
                        decimal("%.5f", point.low()),
                        decimal("%.5f", point.high()));
            }
        }
    }

    private static String decimal(String form, double number) {
        return String.format(Locale.ROOT, form, number);
    }

    private void report(AimPlan plan, List<String> brand) {
        said.forEach(line -> System.err.println("lucid: " + line));
        AimPlan.Reported reported = plan.reported();
        warn(reported.elsewhere(), "rows of demand are of addresses that are no items");
        warn(
                reported.withoutPosition(),
                "rows of demand have no position of 1 or more; they are counted but not placed");
        warn(reported.tooManyClicks(), "rows of demand have more clicks than impressions");
        warn(reported.missingDays(), "of the last " + KeywordMapper.WINDOW + " days are in no row of demand");
        long primary = plan.targets().stream()
                .filter(target -> target.role() == Target.Role.PRIMARY)
                .count();
        System.out.printf(
                Locale.ROOT,
                "items %d aimed %d secondary %d gaps %d pages %d better %d too-early %d brand %s curve %s%n",
                items.size(),
                primary,
                plan.targets().size() - primary,
                plan.gaps().stream().mapToInt(gap -> gap.keywords().size()).sum(),
                plan.gaps().size(),
                plan.better().size(),
                plan.tooEarly().size(),
                brand.isEmpty() ? "unknown" : "“" + String.join("”, “", brand) + "”",
                plan.curve().shape().name().toLowerCase(Locale.ROOT));
    }

    private static void warn(long count, String what) {
        if (count > 0) System.err.printf(Locale.ROOT, "lucid: %,d %s%n", count, what);
    }
}
