package lucidsweep.server.table;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The columns of objects. A list is one column with its values joined by ", ", unless all objects have as many values under
 * that name and these differ in kind, as the query and the address in {@code "keys": ["kayak hire", "https://…"]} do.
 */
final class JsonColumns {

    private static final int MAX_COLUMNS = 1_000;
    private static final int WIDEST_LIST = 6;
    private static final String OF_LIST = "\n";

    private final List<String> names;
    private final Map<String, Integer> apart;

    private JsonColumns(List<String> names, Map<String, Integer> apart) {
        this.names = names;
        this.apart = apart;
    }

    List<String> names() {
        return names.stream().map(name -> name.replace(OF_LIST, ".")).toList();
    }

    List<String> cells(JsonObject object) {
        List<String> cells = new ArrayList<>(names.size());
        for (String name : names) {
            int at = name.indexOf(OF_LIST);
            List<String> values = object.values().getOrDefault(at < 0 ? name : name.substring(0, at), List.of());
            if (at < 0) cells.add(String.join(", ", values));
            else cells.add(part(values, Integer.parseInt(name.substring(at + 1)), apart.get(name.substring(0, at))));
        }
        return cells;
    }

    private static String part(List<String> values, int number, int count) {
        if (number > values.size()) return "";
        return number < count ? values.get(number - 1) : String.join(", ", values.subList(number - 1, values.size()));
    }

    /** Collects the names of all objects. */
    static final class Collector implements JsonTable.ObjectReader {

        private final Map<String, Lists> lists = new LinkedHashMap<>();

        private static final class Lists {
            private final int size;
            private int objects;
            private boolean uneven;
            private final int[] addresses;

            private Lists(int size) {
                this.size = size;
                addresses = new int[Math.min(size, WIDEST_LIST)];
            }

            private void add(List<String> values) {
                objects++;
                uneven |= values.size() != size;
                for (int i = 0; i < Math.min(addresses.length, values.size()); i++) {
                    if (values.get(i).startsWith("http") || values.get(i).startsWith("/")) addresses[i]++;
                }
            }

            private boolean differ() {
                if (uneven || size < 2 || size > WIDEST_LIST || objects < 2) return false;
                boolean all = false;
                boolean none = false;
                for (int each : addresses) {
                    all |= each == objects;
                    none |= each == 0;
                }
                return all && none;
            }
        }

        @Override
        public void object(long line, JsonObject object) {
            object.values().forEach((name, values) -> {
                Lists known = lists.get(name);
                if (known == null && lists.size() < MAX_COLUMNS) {
                    known = new Lists(values.size());
                    lists.put(name, known);
                }
                if (known != null) known.add(values);
            });
        }

        @Override
        public void unreadable(long line, String reason) {
            // It is told when the rows are read.
        }

        JsonColumns columns() {
            List<String> names = new ArrayList<>();
            Map<String, Integer> apart = new LinkedHashMap<>();
            lists.forEach((name, list) -> {
                if (!list.differ()) {
                    names.add(name);
                    return;
                }
                apart.put(name, list.size);
                for (int i = 1; i <= list.size; i++) names.add(name + OF_LIST + i);
            });
            return new JsonColumns(List.copyOf(names), apart);
        }
    }
}
