package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.TitlePatterns;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.Trait;

/** Numbers the sets of findings that items have: few sets are shared by many items. */
final class FindingSets {

    private final Map<List<Mark>, Integer> numbers = new HashMap<>();
    private final List<List<Mark>> sets = new ArrayList<>();

    /** By set, which of its findings count: for items that are indexable, and for those that are not. */
    private final List<boolean[]> shown = new ArrayList<>();

    private final List<boolean[]> hidden = new ArrayList<>();

    private final List<List<Trait>> titled = new ArrayList<>();

    FindingSets() {
        number(List.of());
    }

    /** The number of a set; 0 is the empty one. */
    int number(List<Mark> set) {
        return numbers.computeIfAbsent(set, marks -> {
            sets.add(marks);
            shown.add(counting(marks, true));
            hidden.add(counting(marks, false));
            titled.add(titled(marks));
            return sets.size() - 1;
        });
    }

    int size() {
        return sets.size();
    }

    void write(TableOutput out) throws IOException {
        Dictionary texts = new Dictionary();
        for (List<Mark> set : sets) {
            for (Mark mark : set) {
                texts.number(mark.check());
                texts.number(mark.shared());
            }
        }
        texts.write(out);
        out.writeInt(sets.size());
        for (List<Mark> set : sets) {
            out.writeInt(set.size());
            for (Mark mark : set) {
                out.writeInt(mark.field().ordinal());
                out.writeInt(texts.find(mark.check()));
                out.writeInt(texts.find(mark.shared()));
            }
        }
    }

    void read(TableInput in) {
        Dictionary texts = new Dictionary();
        texts.read(in);
        Field[] fields = Field.values();
        for (int left = in.readInt(); left > 0; left--) {
            Mark[] set = new Mark[in.readInt()];
            for (int i = 0; i < set.length; i++)
                set[i] = new Mark(fields[in.readInt()], texts.name(in.readInt()), texts.name(in.readInt()));
            number(List.of(set));
        }
    }

    private static List<Trait> titled(List<Mark> marks) {
        return marks.stream()
                .map(mark -> TitlePatterns.of(mark.field(), mark.check(), mark.shared()))
                .filter(pattern -> !pattern.isEmpty())
                .map(pattern -> new Trait(Trait.Kind.TITLED, pattern))
                .toList();
    }

    /** The patterns of titles that the findings of a set name. */
    List<Trait> titled(int number) {
        return titled.get(number);
    }

    List<Mark> set(int number) {
        return sets.get(number);
    }

    private static boolean[] counting(List<Mark> marks, boolean indexable) {
        boolean[] counting = new boolean[marks.size()];
        for (int i = 0; i < counting.length; i++)
            counting[i] = Checks.of(marks.get(i).field(), marks.get(i).check()).counts(indexable);
        return counting;
    }

    /** Where the finding of a check stands in a set; -1 where it does not. */
    int place(int number, String checkId) {
        List<Mark> marks = sets.get(number);
        for (int i = 0; i < marks.size(); i++)
            if (Check.id(marks.get(i).field(), marks.get(i).check()).equals(checkId)) return i;
        return -1;
    }

    /** Which findings of a set count for an item, in their order. */
    boolean[] counting(int number, boolean indexable) {
        return (indexable ? shown : hidden).get(number);
    }

    /** By number, whether a set holds such a finding. */
    boolean[] having(Predicate<Mark> wanted) {
        boolean[] having = new boolean[sets.size()];
        for (int i = 0; i < having.length; i++) having[i] = sets.get(i).stream().anyMatch(wanted);
        return having;
    }
}
