package lucidsweep.server.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lucidsweep.core.column.GuessedColumn;
import lucidsweep.core.column.GuessedColumns;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.CsvText;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Reads a file as an import would and writes its rows with our column names, and what could not be read. */
@Command(
        name = "read",
        description =
                "Reads a file as the import would; writes columns.csv (what each column was taken for and how sure"
                        + " that is), rows.csv and unreadable.csv.")
final class ReadCommand implements Callable<Integer>, Intake.Receiver {

    private static final int SAMPLE_ROWS = 2_000;

    @Parameters(paramLabel = "FILE", description = "the file to read")
    private Path file;

    @Option(
            names = "--kind",
            required = true,
            paramLabel = "pages|listings|videos|demand|keywords|results",
            description = "what its rows are")
    private String kindName;

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "where the tables are written")
    private Path out;

    @Option(
            names = "--column",
            paramLabel = "NAME=MEANING",
            description = "what a column holds, such as \"Headline=title\"; \"unused\" leaves it out; may be repeated")
    private Map<String, String> given = new LinkedHashMap<>();

    @Option(names = "--sheet", paramLabel = "NAME", description = "the sheet of a spreadsheet to read")
    private String sheet;

    private RowKind kind;
    private CsvText rows;
    private CsvText unreadable;
    private long readCount;
    private long unreadableCount;
    private final List<String> leftOut = new ArrayList<>();

    @Override
    public Integer call() {
        kind = RowKind.named(kindName)
                .orElseThrow(() ->
                        new Unusable("--kind: expected pages, listings, videos, demand, keywords or results, got \""
                                + kindName + "\""));
        TableFile table = CommandFiles.table(file, sheet);
        List<List<String>> first = table.first(SAMPLE_ROWS);
        GuessedColumns guessed = GuessedColumns.of(kind, first);
        Mapping mapping = Mapping.of(guessed, first).with(meanings(guessed), null);
        CommandFiles.folder(out);
        try (CsvText columns = CommandFiles.csv(out, "columns.csv")) {
            writeColumns(columns, guessed, mapping, first);
        }
        Intake intake = new Intake(kind, mapping);
        try (CsvText rowsFile = CommandFiles.csv(out, "rows.csv");
                CsvText unreadableFile = CommandFiles.csv(out, "unreadable.csv")) {
            rows = rowsFile;
            unreadable = unreadableFile;
            writeHeads(mapping);
            intake.read(table, this);
        }
        report(table, guessed, mapping, first);
        return 0;
    }

    /** The guesses, put right where the command says so. */
    private List<Meaning> meanings(GuessedColumns guessed) {
        List<Meaning> meanings = new ArrayList<>(
                guessed.columns().stream().map(GuessedColumn::meaning).toList());
        given.forEach((name, code) -> {
            int at = IntStream.range(0, meanings.size())
                    .filter(i -> guessed.columns().get(i).name().strip().equalsIgnoreCase(name.strip()))
                    .findFirst()
                    .orElseThrow(() -> new Unusable("--column: there is no column \"" + name + "\"; the columns are: "
                            + String.join(
                                    ", ",
                                    guessed.columns().stream()
                                            .map(GuessedColumn::name)
                                            .toList())));
            Meaning meaning = meaning(code);
            if (meaning != Meaning.UNUSED && meaning != Meaning.MONTH) {
                meanings.replaceAll(each -> each == meaning ? Meaning.UNUSED : each);
            }
            meanings.set(at, meaning);
        });
        return meanings;
    }

    private Meaning meaning(String code) {
        List<Meaning> allowed = Stream.concat(kind.meanings().stream(), Stream.of(Meaning.UNUSED))
                .toList();
        return allowed.stream()
                .filter(meaning -> meaning.code().equals(code.strip().toLowerCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new Unusable("--column: expected one of "
                        + String.join(", ", allowed.stream().map(Meaning::code).toList()) + "; got \"" + code + "\""));
    }

    private static void writeColumns(CsvText csv, GuessedColumns guessed, Mapping mapping, List<List<String>> first) {
        csv.row("name", "taken for", "sure", "sample");
        for (int i = 0; i < mapping.columns().size(); i++) {
            GuessedColumn guess = guessed.columns().get(i);
            Meaning meaning = mapping.meanings().get(i);
            double sure = meaning == guess.meaning() ? guess.sure() : meaning == Meaning.UNUSED ? 0 : 1;
            csv.row(
                    mapping.columns().get(i),
                    meaning == Meaning.UNUSED ? "" : meaning.code(),
                    String.format(Locale.ROOT, "%.2f", sure),
                    guessed.sample(first, i));
        }
    }

    private void writeHeads(Mapping mapping) {
        Stream<String> months = kind == RowKind.KEYWORDS
                ? IntStream.rangeClosed(1, mapping.monthCount()).mapToObj(i -> "month-" + i)
                : Stream.empty();
        rows.row(Stream.concat(kind.columns().stream().map(Meaning::code), months)
                .toArray());
        unreadable.row("line", "reason");
    }

    private void report(TableFile table, GuessedColumns guessed, Mapping mapping, List<List<String>> first) {
        System.out.printf(
                "rows %d unreadable %d unknown-columns %d encoding %s delimiter %s%n",
                readCount, unreadableCount, mapping.unknownColumns(), table.encoding(), table.delimiter());
        if (table.sheets().size() > 1)
            System.out.println("Of " + table.sheets().size() + " sheets, “" + table.sheet() + "” was read.");
        table.above().forEach(line -> System.out.println("Above the table: " + line));
        leftOut.forEach(System.out::println);
        guessed.questions(kind, mapping.meanings(), first).forEach(question -> System.out.println(question.sentence()));
    }

    @Override
    public void row(IntakeRow row, List<String> cells) {
        List<String> values = new ArrayList<>();
        for (Meaning meaning : kind.columns()) values.add(row.get(meaning));
        if (kind.isItem() && values.get(0).isEmpty()) values.set(0, row.get(Meaning.ID));
        if (kind == RowKind.KEYWORDS) values.addAll(row.months());
        rows.row(values.toArray());
        readCount++;
    }

    @Override
    public void unreadable(long line, String reason) {
        unreadable.row(line, reason);
        unreadableCount++;
    }

    @Override
    public void leftOut(long line, String what) {
        leftOut.add("Line " + line + " was left out: " + what);
    }
}
