package lucidsweep.server.command;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.intake.Meaning;
import lucidsweep.server.intake.RowKind;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.CsvText;

/** Reads a file as an import would and writes its rows with our column names, and what could not be read. */
final class ReadCommand implements Intake.Receiver {

    private static final int SAMPLE_ROWS = 2_000;

    private final RowKind kind;
    private final CsvText rows;
    private final CsvText unreadable;
    private long readCount;
    private long unreadableCount;

    private ReadCommand(RowKind kind, CsvText rows, CsvText unreadable) {
        this.kind = kind;
        this.rows = rows;
        this.unreadable = unreadable;
    }

    static void run(List<String> words) {
        Arguments arguments = new Arguments(words, Set.of("kind", "out"));
        if (arguments.rest().size() != 1) {
            throw new Usage(
                    Usage.BAD_ARGUMENTS,
                    "expected one file to read, got " + arguments.rest().size());
        }
        String given = arguments.needed("kind");
        RowKind kind = RowKind.named(given)
                .orElseThrow(() -> new Usage(
                        Usage.BAD_ARGUMENTS,
                        "expected pages, listings, videos, demand, keywords or results, got \"" + given + "\""));
        TableFile table = CommandFiles.table(arguments.rest().get(0));
        Mapping mapping = Mapping.guess(kind, table.first(SAMPLE_ROWS));
        Intake intake = new Intake(kind, mapping);
        Path out = CommandFiles.folder(arguments.needed("out"));
        try (CsvText rows = CommandFiles.csv(out, "rows.csv");
                CsvText unreadable = CommandFiles.csv(out, "unreadable.csv")) {
            ReadCommand command = new ReadCommand(kind, rows, unreadable);
            command.writeHeads(mapping);
            intake.read(table, command);
            System.out.printf(
                    "rows %d unreadable %d unknown-columns %d encoding %s delimiter %s%n",
                    command.readCount,
                    command.unreadableCount,
                    mapping.unknownColumns(),
                    table.encoding(),
                    table.delimiter());
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
