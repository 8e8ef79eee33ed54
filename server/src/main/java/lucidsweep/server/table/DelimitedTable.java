package lucidsweep.server.table;

import de.siegmar.fastcsv.reader.CsvParseException;
import de.siegmar.fastcsv.reader.CsvReader;
import de.siegmar.fastcsv.reader.CsvRecord;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.CharsetDecoder;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import lucidsweep.core.column.TableStart;
import lucidsweep.server.web.Refusal;

/** A delimited table: CSV, TSV and the like. */
final class DelimitedTable implements TableFormat {

    private static final char[] DELIMITERS = {'\t', ',', ';', '|'};

    /** Parts nothing: a list of one column. No text holds it. */
    private static final char NO_DELIMITER = '\u001F';

    private static final int LONGEST_ROW = 4_000_000;
    private static final double OF_ONE_COLUMN = 0.3;

    private final Source source;
    private final Charset encoding;
    private final char delimiter;

    private DelimitedTable(Source source, Charset encoding) {
        this.source = source;
        this.encoding = encoding;
        this.delimiter = recognised();
    }

    @FunctionalInterface
    private interface Source {
        Reader open() throws IOException;
    }

    /** Opens a file; an empty one or one of binary is refused in words. */
    static DelimitedTable of(Path file) {
        Charset encoding = TextEncoding.of(file);
        return new DelimitedTable(() -> open(file, encoding), encoding);
    }

    static DelimitedTable of(String text) {
        return new DelimitedTable(() -> new StringReader(text), StandardCharsets.UTF_8);
    }

    @Override
    public String encoding() {
        return encoding.name();
    }

    @Override
    public char delimiter() {
        return delimiter == NO_DELIMITER ? 0 : delimiter;
    }

    @Override
    public boolean isLoose() {
        return true;
    }

    @Override
    public void read(RowReader reader) {
        read(delimiter, reader);
    }

    private void read(char separator, RowReader reader) {
        long line = 0;
        try (CsvReader<CsvRecord> csv = open(separator)) {
            for (CsvRecord row : csv) {
                line = row.getStartingLineNumber();
                reader.row(line, row.getFields());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (CsvParseException e) {
            reader.unreadable(line + 1, "the rest cannot be read: " + e.getMessage());
        }
    }

    private CsvReader<CsvRecord> open(char separator) throws IOException {
        return CsvReader.builder()
                .fieldSeparator(separator)
                .allowExtraFields(true)
                .allowMissingFields(true)
                .allowExtraCharsAfterClosingQuote(true)
                .allowUnclosedQuote(true)
                .skipEmptyLines(false)
                .maxBufferSize(LONGEST_ROW)
                .ofCsvRecord(source.open());
    }

    /** The delimiter that makes the most even table of the first lines, whatever stands above it. */
    private char recognised() {
        char best = NO_DELIMITER;
        double most = OF_ONE_COLUMN;
        boolean any = false;
        for (char candidate : DELIMITERS) {
            List<FirstRows.Numbered> rows = FirstRows.of(reader -> read(candidate, reader), TableStart.ROWS);
            any |= rows.stream().anyMatch(row -> TableRows.width(row.cells()) > 0);
            double even = evenness(rows, candidate);
            if (even > most) {
                most = even;
                best = candidate;
            }
        }
        if (!any) throw Refusal.badInput("the file holds no line of text; a row of column names was expected");
        return best;
    }

    /** How much of the text is rows of one width, more for wider ones; 0 where nothing is parted. */
    private static double evenness(List<FirstRows.Numbered> rows, char delimiter) {
        List<List<String>> cells = rows.stream().map(FirstRows.Numbered::cells).toList();
        if (cells.isEmpty()) return 0;
        int first = TableStart.row(cells);
        int width = cells.get(first).size();
        if (width < 2) return 0;
        long all = cells.stream().filter(row -> TableRows.width(row) > 0).count();
        List<List<String>> table = cells.subList(first, cells.size());
        long even = table.stream()
                .filter(row -> row.size() == width && TableRows.width(row) > 0)
                .count();
        boolean named = TableStart.namesIn(table) > 0;
        double names = named ? 1.5 : 1;
        double prose = delimiter == ',' && !named && isProse(table) ? 0.2 : 1;
        return names * prose * even / all * Math.log(width + 1);
    }

    /** Whether commas stand within phrases: a space follows each, and no cell is a number. */
    private static boolean isProse(List<List<String>> table) {
        return table.stream()
                .flatMap(row -> row.stream().skip(1))
                .allMatch(cell ->
                        cell.startsWith(" ") && cell.toLowerCase(Locale.ROOT).matches("[\\p{L} '’-]+"));
    }

    /** Bytes that are wrong in the encoding become replacement characters; the row is not lost. */
    private static Reader open(Path file, Charset encoding) throws IOException {
        CharsetDecoder decoder = encoding.newDecoder()
                .onMalformedInput(CodingErrorAction.REPLACE)
                .onUnmappableCharacter(CodingErrorAction.REPLACE);
        return withoutMark(new BufferedReader(new InputStreamReader(Files.newInputStream(file), decoder), 1 << 16));
    }

    private static Reader withoutMark(BufferedReader reader) throws IOException {
        reader.mark(1);
        if (reader.read() != '\uFEFF') reader.reset();
        return reader;
    }
}
