package lucidsweep.server.table;

import java.io.Reader;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.core.JacksonException;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;

/**
 * Where in a document the rows stand: in the longest list of objects; else in the longest list of lists; else in an object
 * whose values are objects.
 *
 * @param path the names that lead there, each after a separator; null where there are none
 * @param names of the columns of lists; of objects none
 */
record JsonRows(String path, boolean isOfLists, List<String> names) {

    private static final String SEPARATOR = "\u0000";
    private static final int MAX_PLACES = 10_000;
    private static final int MAX_NAMES = 200;

    /** What stands directly in a list or an object outside of all lists. */
    private static final class Place {
        private final boolean list;
        private int objects;
        private int lists;
        private int others;
        private int widest;
        private final List<String> texts = new ArrayList<>();

        private Place(boolean list) {
            this.list = list;
        }
    }

    static JsonRows in(Reader document) {
        Map<String, Place> places = new LinkedHashMap<>();
        try (JsonParser parser = JsonTable.JSON.createParser(document)) {
            JsonToken token = parser.nextToken();
            if (token == JsonToken.START_ARRAY || token == JsonToken.START_OBJECT) survey(parser, token, "", places);
        } catch (JacksonException e) {
            // A document that breaks off is read as far as it goes.
        }
        return chosen(places);
    }

    private static void survey(JsonParser parser, JsonToken start, String path, Map<String, Place> places) {
        Place place = new Place(start == JsonToken.START_ARRAY);
        if (places.size() < MAX_PLACES) places.put(path, place);
        String name = "";
        for (JsonToken token = parser.nextToken(); token != null && !token.isStructEnd(); token = parser.nextToken()) {
            if (token == JsonToken.PROPERTY_NAME) {
                name = parser.currentName();
            } else if (token == JsonToken.START_OBJECT) {
                place.objects++;
                if (place.list) nameOf(parser, place);
                else survey(parser, token, path + SEPARATOR + name, places);
            } else if (token == JsonToken.START_ARRAY) {
                place.lists++;
                if (place.list) place.widest = Math.max(place.widest, width(parser));
                else survey(parser, token, path + SEPARATOR + name, places);
            } else {
                place.others++;
                if (place.list && place.texts.size() < MAX_NAMES) place.texts.add(parser.getText());
            }
        }
    }

    /** Passes an object of a list over; where it describes a column, its name is kept. */
    private static void nameOf(JsonParser parser, Place place) {
        int depth = 1;
        String name = "";
        while (depth > 0) {
            JsonToken token = parser.nextToken();
            if (token == null) return;
            if (token.isStructStart()) depth++;
            else if (token.isStructEnd()) depth--;
            else if (token == JsonToken.PROPERTY_NAME) name = parser.currentName();
            else if (depth == 1 && name.matches("name|title|label|header") && place.texts.size() < MAX_NAMES) {
                place.texts.add(parser.getText());
            }
        }
    }

    private static int width(JsonParser parser) {
        int width = 0;
        for (JsonToken token = parser.nextToken();
                token != null && token != JsonToken.END_ARRAY;
                token = parser.nextToken()) {
            width++;
            parser.skipChildren();
        }
        return width;
    }

    private static JsonRows chosen(Map<String, Place> places) {
        String objects = longest(places, true, false);
        String lists = longest(places, false, true);
        if (lists != null) {
            Place rows = places.get(lists);
            for (Map.Entry<String, Place> other : places.entrySet()) {
                boolean names =
                        !other.getKey().equals(lists) && other.getValue().texts.size() == rows.widest;
                if (names) return new JsonRows(lists, true, List.copyOf(other.getValue().texts));
            }
            if (objects == null) return new JsonRows(lists, true, List.of());
        }
        if (objects != null) return new JsonRows(objects, false, List.of());
        return places.entrySet().stream()
                .filter(place -> !place.getValue().list && place.getValue().objects >= 2)
                .filter(place -> place.getValue().others + place.getValue().lists == 0)
                .findFirst()
                .map(place -> new JsonRows(place.getKey(), false, List.of()))
                .orElse(new JsonRows(null, false, List.of()));
    }

    private static String longest(Map<String, Place> places, boolean objects, boolean lists) {
        String longest = null;
        int most = 0;
        for (Map.Entry<String, Place> each : places.entrySet()) {
            Place place = each.getValue();
            int count = !place.list ? 0 : objects ? place.objects : lists ? place.lists : 0;
            if (count > most) {
                most = count;
                longest = each.getKey();
            }
        }
        return longest;
    }

    boolean isFound() {
        return path != null;
    }

    /** Whether the first row holds the names of the columns, as in a list of lists with nothing else. */
    boolean namesAreInFirstRow() {
        return isOfLists && names.isEmpty();
    }

    /** Goes to the rows; false where there are none. */
    boolean enter(JsonParser parser) {
        if (path == null) return false;
        parser.nextToken();
        for (String name :
                path.isEmpty() ? List.<String>of() : List.of(path.substring(1).split(SEPARATOR, -1))) {
            if (!goTo(parser, name)) return false;
        }
        return true;
    }

    private static boolean goTo(JsonParser parser, String name) {
        for (JsonToken token = parser.nextToken(); token == JsonToken.PROPERTY_NAME; token = parser.nextToken()) {
            boolean here = parser.currentName().equals(name);
            token = parser.nextToken();
            if (here) return token.isStructStart();
            parser.skipChildren();
        }
        return false;
    }

    /** A row that is a list, with the names of its columns. */
    JsonObject named(JsonParser parser, JsonObject row) {
        int column = 0;
        for (JsonToken token = parser.nextToken(); token != JsonToken.END_ARRAY; token = parser.nextToken()) {
            String name = column < names.size() ? names.get(column) : "column " + (column + 1);
            column++;
            if (token.isStructStart()) parser.skipChildren();
            else row.add(name, token == JsonToken.VALUE_NULL ? "" : parser.getText());
        }
        return row;
    }
}
