package lucidsweep.server.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import de.siegmar.fastcsv.writer.CsvWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.StringWriter;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import lucidsweep.server.web.Refusal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Tables as other programs write them come back cell by cell. */
class TableFileTest {

    private static final Charset[] ENCODINGS = {
        StandardCharsets.UTF_8, StandardCharsets.UTF_16LE, StandardCharsets.UTF_16BE, Charset.forName("windows-1252")
    };
    private static final char[] DELIMITERS = {',', ';', '\t', '|'};
    private static final String[] CELLS = {
        "Kayak",
        "Grüße aus Fennick",
        "a, b; c | d",
        "say \"ahoy\"",
        "two\nlines",
        "",
        " 12,50 ",
        "=1+1",
        "café à la carte",
        "x"
    };

    @TempDir
    private Path folder;

    private record Read(List<List<String>> rows, List<String> unreadable) {}

    @Test
    void everyCellComesBackWhateverTheEncodingAndDelimiter() throws IOException {
        Random random = new Random(61);
        for (int round = 0; round < 200; round++) {
            Charset encoding = ENCODINGS[round % ENCODINGS.length];
            char delimiter = DELIMITERS[random.nextInt(DELIMITERS.length)];
            List<List<String>> rows = rows(random);
            boolean marked = encoding != ENCODINGS[3] && random.nextBoolean();
            TableFile table = TableFile.of(file(rows, delimiter, encoding, marked));
            String which = encoding + " “" + delimiter + "” " + (marked ? "marked" : "unmarked");
            assertThat(table.delimiterChar()).as(which).isEqualTo(delimiter);
            Read read = read(table);
            assertThat(read.unreadable).as(which).isEmpty();
            assertThat(read.rows).as(which).isEqualTo(rows);
            assertThat(table.first(3)).isEqualTo(rows.subList(0, Math.min(3, rows.size())));
        }
    }

    @Test
    void rowsOfAnotherWidthAreNamedByTheirLineAndTheRestIsRead() {
        Read read = read(TableFile.of("a,b\n1,2\n\n\"two\nlines\",x\n3\n4,5,6\n7,8\n"));
        assertThat(read.rows)
                .containsExactly(List.of("a", "b"), List.of("1", "2"), List.of("two\nlines", "x"), List.of("7", "8"));
        assertThat(read.unreadable).containsExactly("6: expected 2 cells, got 1", "7: expected 2 cells, got 3");
    }

    @Test
    void aQuoteThatIsNeverClosedLosesNothingBeforeIt() {
        Read read = read(TableFile.of("a,b\n1,2\n3,\"never closed\n4,5\n"));
        assertThat(read.rows.subList(0, 2)).containsExactly(List.of("a", "b"), List.of("1", "2"));
        assertThat(read.rows.size() + read.unreadable.size()).isGreaterThan(2);
    }

    @Test
    void wrongBytesAreReplacedAndTheRowIsKept() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        bytes.write("id,title\n".getBytes(StandardCharsets.UTF_8));
        for (int i = 0; i < 400; i++)
            bytes.write(("A" + i + ",Grüße Nummer " + i + "\n").getBytes(StandardCharsets.UTF_8));
        bytes.write(new byte[] {'B', ',', (byte) 0xC3, '(', '\n'});
        Path file = Files.write(folder.resolve("broken.csv"), bytes.toByteArray());
        Read read = read(TableFile.of(file));
        assertThat(read.rows).hasSize(402).contains(List.of("A7", "Grüße Nummer 7"));
        assertThat(read.rows.get(401).get(1)).contains("(");
    }

    @Test
    void theLastLineCountsWhereItIsTheOnlyOneThatTells() throws IOException {
        Path file = Files.write(folder.resolve("short.csv"), "id,title\nA,Grüße".getBytes(ENCODINGS[3]));
        assertThat(read(TableFile.of(file)).rows).contains(List.of("A", "Grüße"));
    }

    /** The encoding is told from the first 256 KB, which may end within a letter. */
    @Test
    void aLetterAtTheEndOfTheSampleIsNoWrongOne() throws IOException {
        for (int shift = 0; shift < 3; shift++) {
            String lines =
                    "id,title\n" + "x".repeat(shift) + ",y\n" + "A,kayak\n".repeat(32_765) + "é".repeat(60) + ",z\n";
            Path file = Files.write(folder.resolve("long.csv"), lines.getBytes(StandardCharsets.UTF_8));
            assertThat(TableFile.of(file).encoding()).isEqualTo("UTF-8");
        }
    }

    @ParameterizedTest
    @CsvSource({"'', nothing in it", "'  \n ', nothing in it"})
    void nothingIsRefusedInWords(String text, String says) {
        assertThatThrownBy(() -> TableFile.of(text)).isInstanceOf(Refusal.class).hasMessageContaining(says);
    }

    private static List<List<String>> rows(Random random) {
        List<List<String>> rows = new ArrayList<>();
        int width = 2 + random.nextInt(5);
        List<String> header = new ArrayList<>();
        for (int i = 0; i < width; i++) header.add("column " + i);
        rows.add(header);
        for (int n = 1 + random.nextInt(40); n > 0; n--) {
            List<String> row = new ArrayList<>();
            for (int i = 0; i < width; i++) row.add(i == 0 ? "id-" + n : CELLS[random.nextInt(CELLS.length)]);
            rows.add(row);
        }
        return rows;
    }

    private Path file(List<List<String>> rows, char delimiter, Charset encoding, boolean marked) throws IOException {
        StringWriter text = new StringWriter();
        if (marked) text.write('\uFEFF');
        try (CsvWriter csv = CsvWriter.builder().fieldSeparator(delimiter).build(text)) {
            rows.forEach(csv::writeRecord);
        }
        return Files.write(folder.resolve("table.csv"), text.toString().getBytes(encoding));
    }

    private static Read read(TableFile table) {
        Read read = new Read(new ArrayList<>(), new ArrayList<>());
        table.read(new RowReader() {
            @Override
            public void row(long line, List<String> cells) {
                read.rows.add(cells);
            }

            @Override
            public void unreadable(long line, String reason) {
                read.unreadable.add(line + ": " + reason);
            }
        });
        return read;
    }
}
