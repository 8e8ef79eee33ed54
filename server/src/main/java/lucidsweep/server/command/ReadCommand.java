package lucidsweep.server.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.intake.Meaning;
import lucidsweep.server.intake.RowKind;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.CsvText;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Reads a file as an import would and writes its rows with our column names, and what could not be read. */
@Command(name = "read", description = "Reads a file as the import would; writes rows.csv and unreadable.csv.")
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

    private RowKind kind;
    private CsvText rows;
    private CsvText unreadable;
    private long readCount;
    private long unreadableCount;

    @Override
    public Integer call() {
        kind = RowKind.named(kindName)
                .orElseThrow(() ->
                        new Unusable("--kind: expected pages, listings, videos, demand, keywords or results, got \""
                                + kindName + "\""));
        TableFile table = CommandFiles.table(file);
        Mapping mapping = Mapping.guess(kind, table.first(SAMPLE_ROWS));
        Intake intake = new Intake(kind, mapping);
        CommandFiles.folder(out);
        try (CsvText rowsFile = CommandFiles.csv(out, "rows.csv");
                CsvText unreadableFile = CommandFiles.csv(out, "unreadable.csv")) {
            rows = rowsFile;
            unreadable = unreadableFile;
            writeHeads(mapping);
            intake.read(table, this);
        }
        System.out.printf(
                "rows %d unreadable %d unknown-columns %d encoding %s delimiter %s%n",
                readCount, unreadableCount, mapping.unknownColumns(), table.encoding(), table.delimiter());
        return 0;
    }

    private void writeHeads(Mapping mapping) {
        Stream<String> months = kind == RowKind.KEYWORDS
                ? IntStream.rangeClosed(1, mapping.monthCount()).mapToObj(i -> "month-" + i)
                : Stream.empty();
        rows.row(Stream.concat(kind.columns().stream().map(Meaning::code), months)
                .toArray());
        unreadable.row("line", "reason");
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
}
