package lucidsweep.server.item.table;

import java.io.IOException;
import java.nio.IntBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** When the findings of all items came and others ended. Many items have been found wanting at the same moments, and share them. */
final class LifeColumn {

    private LifeParts[] rows = new LifeParts[1_024];
    private final Map<Key, LifeParts> shared = new HashMap<>();

    private record Key(IntBuffer since, IntBuffer ended) {}

    void set(int row, LifeParts life) {
        if (row >= rows.length) rows = Arrays.copyOf(rows, Math.max(row + 1, rows.length * 2));
        // Each edit brings moments of its own, which later ones do not share.
        if (shared.size() > rows.length) shared.clear();
        rows[row] = shared.computeIfAbsent(
                new Key(IntBuffer.wrap(life.since()), IntBuffer.wrap(life.ended())), any -> life);
    }

    void write(TableOutput out, int size) throws IOException {
        Map<LifeParts, Integer> numbers = new IdentityHashMap<>();
        for (int row = 0; row < size; row++) {
            Integer number = numbers.putIfAbsent(rows[row], numbers.size());
            out.writeInt(number == null ? -1 : number);
            if (number == null) rows[row].write(out);
        }
    }

    void read(TableInput in, int size) {
        rows = new LifeParts[size];
        List<LifeParts> all = new ArrayList<>();
        for (int row = 0; row < size; row++) {
            int number = in.readInt();
            if (number < 0) all.add(LifeParts.read(in));
            rows[row] = all.get(number < 0 ? all.size() - 1 : number);
        }
    }

    /** Since when a finding of a row is there, as {@link LifeParts} has it; 0 where nobody noted it. */
    int since(int row, int finding) {
        int[] moments = rows[row].since();
        return finding < moments.length ? moments[finding] : 0;
    }

    /** What has ended of a row, as {@link LifeParts} has it. */
    int[] ended(int row) {
        return rows[row].ended();
    }
}
