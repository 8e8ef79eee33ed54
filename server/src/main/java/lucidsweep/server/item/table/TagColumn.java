package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import lucidsweep.core.finding.Causes;
import lucidsweep.core.set.Trait;

/** The tags of all items by number, so that they are counted without their texts being read. */
final class TagColumn {

    /** Tags that may explain a finding; more of them would make as many groups as there are items. */
    private static final int MAX_NAMED = 20;

    private static final int LONGEST = 200;
    private static final int[] NONE = {};

    private final Dictionary names = new Dictionary();
    private int[][] rows = new int[0][];

    void set(int row, String tags) {
        if (tags == null && rows.length == 0) return;
        if (row >= rows.length) {
            int before = rows.length;
            rows = Arrays.copyOf(rows, Math.max(row + 1, Math.max(1_024, before * 2)));
            Arrays.fill(rows, before, rows.length, NONE);
        }
        rows[row] = tags == null ? NONE : numbers(tags);
    }

    private int[] numbers(String tags) {
        return Arrays.stream(tags.toLowerCase(Locale.ROOT).split(","))
                .map(String::strip)
                .filter(tag -> !tag.isEmpty() && tag.length() <= LONGEST)
                .mapToInt(names::number)
                .distinct()
                .toArray();
    }

    void write(TableOutput out) throws IOException {
        names.write(out);
        out.writeInt(rows.length);
        for (int[] row : rows) {
            out.writeInt(row.length);
            out.writeInts(row, row.length);
        }
    }

    void read(TableInput in) {
        names.read(in);
        rows = new int[in.readInt()][];
        for (int row = 0; row < rows.length; row++) {
            int count = in.readInt();
            rows[row] = count == 0 ? NONE : in.readInts(count);
        }
    }

    boolean isEmpty() {
        return names.size() == 0;
    }

    /** By number, how many of some rows have the tag. */
    int[] counts(BitSet some) {
        int[] counts = new int[names.size()];
        for (int row = some.nextSetBit(0); row >= 0 && row < rows.length; row = some.nextSetBit(row + 1))
            for (int tag : rows[row]) counts[tag]++;
        return counts;
    }

    /**
     * The tags of which nearly all items have a finding, those on most items first.
     *
     * @param with the rows that have it
     * @param all by number, how many indexable items have the tag
     */
    int[] telling(BitSet with, int[] all) {
        int[] counts = counts(with);
        IntPredicate telling = tag -> Causes.mayBeOf(counts[tag], all[tag]);
        return IntStream.range(0, counts.length)
                .filter(telling)
                .boxed()
                .sorted(Comparator.comparing((Integer tag) -> -counts[tag]).thenComparing(names::name))
                .limit(MAX_NAMED)
                .mapToInt(Integer::intValue)
                .toArray();
    }

    /** Which of some tags a row has, bit by bit. */
    int mask(int row, int[] tags) {
        int mask = 0;
        if (row >= rows.length) return mask;
        for (int tag : rows[row]) {
            for (int i = 0; i < tags.length; i++) if (tags[i] == tag) mask |= 1 << i;
        }
        return mask;
    }

    /** The same as traits. */
    List<Trait> traits(int[] tags, int mask) {
        return IntStream.range(0, tags.length)
                .filter(i -> (mask >> i & 1) == 1)
                .mapToObj(i -> trait(tags[i]))
                .toList();
    }

    Trait trait(int tag) {
        return new Trait(Trait.Kind.TAGGED, names.name(tag));
    }
}
