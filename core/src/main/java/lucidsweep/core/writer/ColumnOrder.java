package lucidsweep.core.writer;

import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** In which order columns are asked: each after those whose answers it needs. */
public final class ColumnOrder {

    private ColumnOrder() {}

    /**
     * All columns in order; those that need nothing of each other stay as they came.
     *
     * @throws IllegalArgumentException where columns need each other in a circle; it names them
     */
    public static List<Instruction> of(Collection<Instruction> columns) {
        Map<String, Instruction> byName = new HashMap<>();
        columns.forEach(column -> byName.put(column.name(), column));
        List<Instruction> order = new ArrayList<>();
        Set<String> placed = new HashSet<>();
        for (Instruction column : columns) place(column, byName, placed, new LinkedHashSet<>(), order);
        return order;
    }

    private static void place(
            Instruction column,
            Map<String, Instruction> byName,
            Set<String> placed,
            Set<String> waiting,
            List<Instruction> order) {
        if (placed.contains(column.name())) return;
        if (!waiting.add(column.name())) {
            throw new IllegalArgumentException("these columns need each other: " + String.join(", ", waiting));
        }
        for (String needed : column.after()) {
            Instruction other = byName.get(needed);
            if (other != null) place(other, byName, placed, waiting, order);
        }
        waiting.remove(column.name());
        placed.add(column.name());
        order.add(column);
    }
}
