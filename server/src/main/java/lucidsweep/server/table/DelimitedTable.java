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
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.web.Refusal;

/** A delimited table: CSV, TSV and the like. */
final class DelimitedTable implements TableFormat {

    private static final char[] DELIMITERS = {'\t', ',', ';', '|'};
    private static final int SAMPLE_LINES = 20;
    private static final int LONGEST_ROW = 4_000_000;

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
        return delimiter;
    }

    @Override
    public List<List<String>> first(int rows) {
        List<List<String>> found = new ArrayList<>();
        try (CsvReader<CsvRecord> csv = open()) {
            for (CsvRecord record : csv) {
                if (found.size() == rows) break;
                found.add(record.getFields());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (CsvParseException e) {
            if (found.isEmpty()) throw Refusal.badInput("no row of the file can be read: " + e.getMessage());
        }
        return found;
    }

    @Override
    public void read(RowReader reader) {
        int width = -1;
        long line = 0;
        try (CsvReader<CsvRecord> csv = open()) {
            for (CsvRecord record : csv) {
                line = record.getStartingLineNumber();
                List<String> cells = record.getFields();
                if (width < 0) width = cells.size();
                if (cells.size() == width) reader.row(line, cells);
                else reader.unreadable(line, "expected " + width + " cells, got " + cells.size());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (CsvParseException e) {
            reader.unreadable(line + 1, "the rest cannot be read: " + e.getMessage());
        }
    }

    private CsvReader<CsvRecord> open() throws IOException {
        return CsvReader.builder()
                .fieldSeparator(delimiter)
                .allowExtraFields(true)
                .allowMissingFields(true)
                .allowExtraCharsAfterClosingQuote(true)
                .allowUnclosedQuote(true)
                .skipEmptyLines(true)
                .maxBufferSize(LONGEST_ROW)
                .ofCsvRecord(source.open());
    }

    /** The delimiter that splits the first lines into the most cells, in the most even way. */
    private char recognised() {
        char best = ',';
        double bestScore = 0;
        List<String> lines = sample();
        for (char candidate : DELIMITERS) {
            int first = count(lines.get(0), candidate);
            long alike = lines.stream()
                    .filter(line -> count(line, candidate) == first)
                    .count();
            double score = first * (double) alike / lines.size();
            if (score > bestScore) {
                bestScore = score;
                best = candidate;
            }
        }
        return best;
    }

    private List<String> sample() {
        List<String> lines = new ArrayList<>();
        try (BufferedReader reader = new BufferedReader(source.open())) {
            String line;
            while (lines.size() < SAMPLE_LINES && (line = reader.readLine()) != null) {
                if (!line.isBlank()) lines.add(line);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        if (lines.isEmpty())
            throw Refusal.badInput("the file holds no line of text; a row of column names was expected");
        return lines;
    }

    private static int count(String line, char delimiter) {
        int count = 0;
        boolean quoted = false;
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            if (c == '"') quoted = !quoted;
            else if (c == delimiter && !quoted) count++;
        }
        return count;
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
