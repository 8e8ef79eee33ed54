package lucidsweep.server.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/**
 * The values of an object by name. Names inside an object become "outer.inner"; the plain values of a list stand under its
 * name, and those of objects in a list under "list.name".
 *
 * <pre>{@code {"id": 7, "snippet": {"title": "Ash"}, "tags": ["a", "b"], "photos": [{"alt": "x"}, {"alt": "y"}]}
 * id: 7 | snippet.title: Ash | tags: a, b | photos.alt: x, y }</pre>
 */
final class JsonObject {

    private final Map<String, List<String>> values = new LinkedHashMap<>();
    private int length;

    /** Reads an object whose start was read. */
    static JsonObject read(JsonParser parser) {
        JsonObject object = new JsonObject();
        object.readFrom(parser, "");
        return object;
    }

    void readFrom(JsonParser parser, String prefix) {
        while (parser.nextToken() == JsonToken.PROPERTY_NAME) {
            String name = prefix + parser.currentName();
            readValue(parser, parser.nextToken(), name);
        }
    }

    private void readValue(JsonParser parser, JsonToken token, String name) {
        if (token == JsonToken.START_OBJECT) readFrom(parser, name + ".");
        else if (token == JsonToken.START_ARRAY) readList(parser, name);
        else add(name, token == JsonToken.VALUE_NULL ? "" : parser.getText());
    }

    private void readList(JsonParser parser, String name) {
        for (JsonToken token = parser.nextToken(); token != JsonToken.END_ARRAY; token = parser.nextToken()) {
            readValue(parser, token, name);
        }
    }

    void add(String name, String text) {
        length += name.length() + text.length();
        if (!isTooLong())
            values.computeIfAbsent(name, any -> new ArrayList<>(1)).add(text);
    }

    Map<String, List<String>> values() {
        return values;
    }

    /** Whether it has more text than a row may have; then not all of it is kept. */
    boolean isTooLong() {
        return length > JsonTable.LONGEST_TEXT;
    }
}
