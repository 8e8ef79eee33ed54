package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;

/** Numbers the few values that many rows share, by a key, which is an id or the name itself, and with a name to sort by. */
final class Dictionary {

    private final Map<Object, Integer> numbers = new HashMap<>();
    private final List<String> names = new ArrayList<>();

    int number(String name) {
        return number(name, name);
    }

    int number(Object key, String name) {
        return numbers.computeIfAbsent(key, any -> {
            names.add(name);
            return names.size() - 1;
        });
    }

    /** The number of a key; -1 where it has none. */
    int find(Object key) {
        return numbers.getOrDefault(key, -1);
    }

    String name(int number) {
        return names.get(number);
    }

    int size() {
        return names.size();
    }

    void write(TableOutput out) throws IOException {
        Object[] keys = new Object[names.size()];
        numbers.forEach((key, number) -> keys[number] = key);
        out.writeInt(keys.length);
        for (int number = 0; number < keys.length; number++) {
            out.writeText(names.get(number));
            out.writeBoolean(keys[number] instanceof Long);
            if (keys[number] instanceof Long id) out.writeLong(id);
        }
    }

    void read(TableInput in) {
        for (int left = in.readInt(); left > 0; left--) {
            String name = in.readText();
            number(in.readBoolean() ? (Object) in.readLong() : name, name);
        }
    }

    /** By number, the place of a name among all names, whatever its case; the same for the same name. */
    int[] ranks() {
        List<String> folded =
                names.stream().map(name -> name.toLowerCase(Locale.ROOT)).toList();
        List<Integer> sorted = IntStream.range(0, names.size())
                .boxed()
                .sorted(Comparator.comparing(folded::get))
                .toList();
        int[] ranks = new int[names.size()];
        for (int place = 1; place < ranks.length; place++) {
            int number = sorted.get(place);
            int before = sorted.get(place - 1);
            ranks[number] = folded.get(number).equals(folded.get(before)) ? ranks[before] : place;
        }
        return ranks;
    }
}
