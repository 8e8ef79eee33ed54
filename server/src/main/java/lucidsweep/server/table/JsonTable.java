package lucidsweep.server.table;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.core.StreamReadConstraints;
import tools.jackson.core.json.JsonFactory;

/**
 * Objects in JSON: an array of them, an object that holds such an array, or one a line (JSON Lines). Names inside an object
 * become "outer.inner", plain values of an array are joined by ", ". The columns are all names that occur, in their order.
 */
final class JsonTable implements TableFormat {

    private static final int MAX_COLUMNS = 1_000;
    private static final int LONGEST_LINE = 4_000_000;
    private static final JsonFactory JSON = JsonFactory.builder()
            .streamReadConstraints(StreamReadConstraints.builder()
                    .maxNestingDepth(50)
                    .maxStringLength(LONGEST_LINE)
                    .build())
            .build();

    private final Path file;
    private final Charset encoding;
    private final boolean oneALine;
    private List<String> columns;

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
    private interface ObjectReader {
        void object(long line, Map<String, String> values);

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
    public List<List<String>> first(int rows) {
        return FirstRows.of(this, rows);
    }

    @Override
    public void read(RowReader reader) {
        List<String> names = columns();
        reader.row(1, names);
        forEach(new ObjectReader() {
            @Override
            public void object(long line, Map<String, String> values) {
                List<String> cells = new ArrayList<>(names.size());
                for (String name : names) cells.add(values.getOrDefault(name, ""));
                reader.row(line, cells);
            }

            @Override
            public void unreadable(long line, String reason) {
                reader.unreadable(line, reason);
            }
        });
    }

    private List<String> columns() {
        if (columns != null) return columns;
        Set<String> names = new LinkedHashSet<>();
        forEach(new ObjectReader() {
            @Override
            public void object(long line, Map<String, String> values) {
                if (names.size() < MAX_COLUMNS) names.addAll(values.keySet());
            }

            @Override
            public void unreadable(long line, String reason) {
                // It is told when the rows are read.
            }
        });
        if (names.isEmpty())
            throw Refusal.badInput("no object of this JSON file can be read; a list of objects was expected");
        columns = List.copyOf(names);
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
        for (String line = text.readLine(); line != null; line = text.readLine()) {
            number++;
            if (line.isBlank()) continue;
            try (JsonParser parser = JSON.createParser(line)) {
                if (parser.nextToken() != JsonToken.START_OBJECT) {
                    reader.unreadable(number, "expected an object, got " + clip(line));
                    continue;
                }
                Map<String, String> values = new LinkedHashMap<>();
                readObject(parser, "", values);
                reader.object(number, values);
            } catch (JacksonException e) {
                reader.unreadable(number, e.getOriginalMessage());
            }
        }
    }

    private static void forEachElement(Reader text, ObjectReader reader) {
        long line = 1;
        try (JsonParser parser = JSON.createParser(text)) {
            // The first array that holds objects is the list, whatever stands around it.
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                if (token != JsonToken.START_ARRAY) continue;
                token = parser.nextToken();
                while (token == JsonToken.START_OBJECT) {
                    line = parser.currentTokenLocation().getLineNr();
                    Map<String, String> values = new LinkedHashMap<>();
                    readObject(parser, "", values);
                    reader.object(line, values);
                    token = parser.nextToken();
                    if (token == JsonToken.END_ARRAY) return;
                    if (token != JsonToken.START_OBJECT) {
                        reader.unreadable(
                                parser.currentTokenLocation().getLineNr(),
                                "expected an object, got " + parser.getText());
                        parser.skipChildren();
                        token = parser.nextToken();
                    }
                }
            }
        } catch (JacksonException e) {
            reader.unreadable(line, "the rest cannot be read: " + e.getOriginalMessage());
        }
    }

    private static void readObject(JsonParser parser, String prefix, Map<String, String> values) {
        while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
            String name = prefix + parser.currentName();
            JsonToken token = parser.nextToken();
            if (token == JsonToken.START_OBJECT) readObject(parser, name + ".", values);
            else if (token == JsonToken.START_ARRAY) values.put(name, readArray(parser));
            else values.put(name, token == JsonToken.VALUE_NULL ? "" : parser.getText());
        }
    }

    private static String readArray(JsonParser parser) {
        List<String> texts = new ArrayList<>();
        for (JsonToken token = parser.nextToken(); token != JsonToken.END_ARRAY; token = parser.nextToken()) {
            if (token.isScalarValue()) texts.add(parser.getText());
            else parser.skipChildren();
        }
        return String.join(", ", texts);
    }

    private static boolean isOneALine(Path file, Charset encoding) {
        try (BufferedReader text = new BufferedReader(open(file, encoding))) {
            String line = text.readLine();
            while (line != null && line.isBlank()) line = text.readLine();
            return line != null && line.length() < LONGEST_LINE && isWhole(line) && !isWrapper(line);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether a line is an object by itself. */
    private static boolean isWhole(String line) {
        try (JsonParser parser = JSON.createParser(line)) {
            if (parser.nextToken() != JsonToken.START_OBJECT) return false;
            parser.skipChildren();
            return parser.currentToken() == JsonToken.END_OBJECT;
        } catch (JacksonException e) {
            return false;
        }
    }

    /** Whether an object holds a list of objects. */
    private static boolean isWrapper(String line) {
        try (JsonParser parser = JSON.createParser(line)) {
            JsonToken before = null;
            for (JsonToken token = parser.nextToken(); token != null; token = parser.nextToken()) {
                if (before == JsonToken.START_ARRAY && token == JsonToken.START_OBJECT) return true;
                before = token;
            }
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
