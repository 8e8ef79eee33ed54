package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;

/** Numbers the sets of findings that items have: few sets are shared by many items. */
final class FindingSets {

    private final Map<List<Mark>, Integer> numbers = new HashMap<>();
    private final List<List<Mark>> sets = new ArrayList<>();

    FindingSets() {
        number(List.of());
    }

    /** The number of a set; 0 is the empty one. */
    int number(List<Mark> set) {
        return numbers.computeIfAbsent(set, marks -> {
            sets.add(marks);
            return sets.size() - 1;
        });
    }

    List<Mark> set(int number) {
        return sets.get(number);
    }

    /** By number, whether a set holds such a finding. */
    boolean[] having(Predicate<Mark> wanted) {
        boolean[] having = new boolean[sets.size()];
        for (int i = 0; i < having.length; i++) having[i] = sets.get(i).stream().anyMatch(wanted);
        return having;
    }
}
