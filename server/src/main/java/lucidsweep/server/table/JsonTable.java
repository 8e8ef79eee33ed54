package lucidsweep.server.table;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;

/**
 * Rows in JSON: a list of objects or of lists, wherever it stands in the document, objects by their keys, or one object a line
 * (JSON Lines). The columns are all names that occur, in their order; see {@link JsonObject} for what becomes of nested ones.
 */
final class JsonTable implements TableFormat {

    static final int LONGEST_TEXT = 4_000_000;
    static final JsonFactory JSON = JsonFactory.builder()
            .streamReadConstraints(StreamReadConstraints.builder()
                    .maxNestingDepth(50)
                    .maxStringLength(LONGEST_TEXT)
                    .build())
            .build();

    private final Path file;
    private final Charset encoding;
    private final boolean oneALine;
    private JsonRows place;
    private JsonColumns columns;

    private JsonTable(Path file, Charset encoding, boolean oneALine) {
        this.file = file;
        this.encoding = encoding;
        this.oneALine = oneALine;
    }

    static JsonTable of(Path file) {
        Charset encoding = TextEncoding.of(file);
        return new JsonTable(file, encoding, isOneALine(file, encoding));
    }

    /** Receives the objects. */
    interface ObjectReader {
        void object(long line, JsonObject values);

        void unreadable(long line, String reason);
    }

    @Override
    public String encoding() {
        return encoding.name();
    }

    @Override
    public char delimiter() {
        return 0;
    }

    @Override
    public boolean isLoose() {
        return !oneALine && place().namesAreInFirstRow();
    }

    @Override
    public void read(RowReader reader) {
        JsonColumns names = columns();
        if (!isLoose()) reader.row(1, names.names());
        forEach(new ObjectReader() {
            @Override
            public void object(long line, JsonObject values) {
                if (values.isTooLong()) unreadable(line, "the object has more than " + LONGEST_TEXT + " characters");
                else reader.row(line, names.cells(values));
            }

            @Override
            public void unreadable(long line, String reason) {
                reader.unreadable(line, reason);
            }
        });
    }

    private JsonColumns columns() {
        if (columns != null) return columns;
        JsonColumns.Collector collector = new JsonColumns.Collector();
        forEach(collector);
        columns = collector.columns();
        if (columns.names().isEmpty()) {
            throw Refusal.badInput("no object of this JSON file can be read; a list of objects was expected");
        }
        return columns;
    }

    private void forEach(ObjectReader reader) {
        try (Reader text = open()) {
            if (oneALine) forEachLine(new BufferedReader(text), reader);
            else forEachElement(text, reader);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void forEachLine(BufferedReader text, ObjectReader reader) throws IOException {
        long number = 0;
        BoundedLines lines = new BoundedLines(text, LONGEST_TEXT);
        for (String line = lines.next(); line != null; line = lines.next()) {
            number++;
            if (lines.wasCut()) {
                reader.unreadable(number, "the line has more than " + LONGEST_TEXT + " characters");
                continue;
            }
            if (line.isBlank()) continue;
            try (JsonParser parser = JSON.createParser(line)) {
                if (parser.nextToken() != JsonToken.START_OBJECT) {
                    reader.unreadable(number, "expected an object, got " + clip(line));
                    continue;
                }
                reader.object(number, JsonObject.read(parser));
            } catch (JacksonException e) {
                reader.unreadable(number, e.getOriginalMessage());
            }
        }
    }

    private JsonRows place() {
        if (place == null) {
            try (Reader document = open()) {
                place = JsonRows.in(document);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return place;
    }

    private void forEachElement(Reader text, ObjectReader reader) {
        long line = 1;
        JsonRows rows = place();
        try (JsonParser parser = JSON.createParser(text)) {
            if (!rows.enter(parser)) return;
            while (true) {
                JsonToken token = parser.nextToken();
                if (token == null || token == JsonToken.END_ARRAY || token == JsonToken.END_OBJECT) return;
                JsonObject values = new JsonObject();
                if (token == JsonToken.PROPERTY_NAME) {
                    values.add("key", parser.currentName());
                    token = parser.nextToken();
                }
                line = parser.currentTokenLocation().getLineNr();
                if (token == JsonToken.START_OBJECT) {
                    values.readFrom(parser, "");
                    reader.object(line, values);
                } else if (token == JsonToken.START_ARRAY && rows.isOfLists()) {
                    reader.object(line, rows.named(parser, values));
                } else {
                    reader.unreadable(line, "expected an object, got " + clip(String.valueOf(parser.getText())));
                    parser.skipChildren();
                }
            }
        } catch (JacksonException e) {
            reader.unreadable(line, "the rest cannot be read: " + e.getOriginalMessage());
        }
    }

    /** Whether the first line is an object by itself, and no object that has the rows in it. */
    private static boolean isOneALine(Path file, Charset encoding) {
        try (BufferedReader text = new BufferedReader(open(file, encoding))) {
            BoundedLines lines = new BoundedLines(text, LONGEST_TEXT);
            String line = lines.next();
            while (line != null && line.isBlank()) line = lines.next();
            if (line == null || lines.wasCut() || !isWhole(line)) return false;
            String second = lines.next();
            while (second != null && second.isBlank()) second = lines.next();
            return second != null || !JsonRows.in(new StringReader(line)).isFound();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean isWhole(String line) {
        try (JsonParser parser = JSON.createParser(line)) {
            if (parser.nextToken() != JsonToken.START_OBJECT) return false;
            parser.skipChildren();
            return parser.currentToken() == JsonToken.END_OBJECT;
        } catch (JacksonException e) {
            return false;
        }
    }

    private Reader open() throws IOException {
        return open(file, encoding);
    }

    private static Reader open(Path file, Charset encoding) throws IOException {
        BufferedReader reader =
                new BufferedReader(new InputStreamReader(Files.newInputStream(file), encoding), 1 << 16);
        reader.mark(1);
        if (reader.read() != '\uFEFF') reader.reset();
        return reader;
    }

    private static String clip(String text) {
        return text.length() <= 40 ? text : text.substring(0, 40) + "…";
    }
}
