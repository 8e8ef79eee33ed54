package lucidsweep.server.intake;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.table.TableFile;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Files of many sources and languages are read as they are meant, without a hand; see {@code files.txt}. */
class FilesAsTheyComeTest {

    @TempDir
    private Path folder;

    record Case(String name, RowKind kind, String options, List<String> lines, String counts, String firstRow) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Case> cases() throws IOException {
        List<Case> cases = new ArrayList<>();
        try (BufferedReader text = new BufferedReader(new InputStreamReader(
                FilesAsTheyComeTest.class.getResourceAsStream("files.txt"), StandardCharsets.UTF_8))) {
            for (String part : text.lines().collect(Collectors.joining("\n")).split("\n*(?m)^=== ")) {
                if (!part.startsWith("#")) cases.add(parsed(part));
            }
        }
        return cases.stream();
    }

    private static Case parsed(String part) {
        String head = part.substring(0, part.indexOf('\n'));
        String[] fields = head.split(" \\| ?", 3);
        String[] halves = part.substring(head.length() + 1).split("\n--- expect ", 2);
        String[] expected = halves[1].strip().split("\n", 2);
        return new Case(
                fields[0],
                RowKind.named(fields[1].strip()).orElseThrow(),
                fields.length > 2 ? fields[2] : "",
                List.of(halves[0].replace('→', '\t').split("\n")),
                expected[0],
                expected[1]);
    }

    @ParameterizedTest
    @MethodSource("cases")
    void isReadAsItIsMeant(Case each) throws IOException {
        TableFile table = TableFile.of(file(each));
        Mapping mapping = Mapping.guess(each.kind, table.first(2_000));
        List<String> rows = new ArrayList<>();
        List<String> unreadable = new ArrayList<>();
        List<String> leftOut = new ArrayList<>();
        new Intake(each.kind, mapping).read(table, new Intake.Receiver() {
            @Override
            public void row(IntakeRow row, List<String> cells) {
                rows.add(row.values().entrySet().stream()
                                .map(value -> value.getKey().code() + "=" + value.getValue())
                                .collect(Collectors.joining("; "))
                        + (row.months().isEmpty() ? "" : " " + row.months()));
            }

            @Override
            public void unreadable(long line, String reason) {
                unreadable.add(line + ": " + reason);
            }

            @Override
            public void leftOut(long line, String what) {
                leftOut.add(line + ": " + what);
            }
        });
        String counts = rows.size()
                + (rows.size() == 1 ? " row" : " rows")
                + (unreadable.isEmpty() ? "" : ", " + unreadable.size() + " unreadable")
                + (leftOut.isEmpty() ? "" : ", " + leftOut.size() + " left out");
        assertThat(counts).as(mapping + "\n" + unreadable + "\n" + leftOut).isEqualTo(each.counts);
        assertThat(rows.get(0)).as(mapping.toString()).isEqualTo(each.firstRow);
    }

    private Path file(Case each) throws IOException {
        if (each.options.equals("xlsx")) return spreadsheet(each.lines);
        String name = option(each, "name=", "file.csv");
        Charset encoding = Charset.forName(option(each, "encoding=", "UTF-8"));
        String end = each.options.contains("crlf") ? "\r\n" : "\n";
        String mark = each.options.contains("mark") ? "\uFEFF" : "";
        String text = mark + String.join(end, each.lines) + end;
        return Files.write(folder.resolve(name), text.getBytes(encoding));
    }

    private static String option(Case each, String name, String otherwise) {
        return Stream.of(each.options.split(" "))
                .filter(option -> option.startsWith(name))
                .map(option -> option.substring(name.length()))
                .findFirst()
                .orElse(otherwise);
    }

    private Path spreadsheet(List<String> lines) throws IOException {
        Path file = folder.resolve("file.xlsx");
        try (OutputStream out = Files.newOutputStream(file);
                Workbook workbook = new Workbook(out, "Lucid", "1.0")) {
            Worksheet sheet = null;
            int row = 0;
            for (String line : lines) {
                if (line.startsWith("--- sheet ")) {
                    sheet = workbook.newWorksheet(line.substring(10));
                    row = 0;
                    continue;
                }
                String[] cells = line.split("\\|", -1);
                for (int i = 0; i < cells.length; i++) put(sheet, row, i, cells[i]);
                row++;
            }
        }
        return file;
    }

    private static void put(Worksheet sheet, int row, int column, String cell) {
        if (cell.startsWith("#")) {
            sheet.value(row, column, Double.parseDouble(cell.substring(1)));
        } else if (cell.startsWith("@")) {
            sheet.value(row, column, LocalDate.parse(cell.substring(1)));
            sheet.style(row, column).format("dd/mm/yyyy").set();
        } else if (!cell.isEmpty()) {
            sheet.value(row, column, cell);
        }
    }
}
