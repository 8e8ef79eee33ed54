package lucidsweep.server.item.table;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Spread;
import lucidsweep.core.finding.Spreads;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.Trait;

/** Counts the findings of a table. What came of it is kept until something else is found. */
final class TableFindings {

    private final ItemColumns columns;
    private List<FindingCount> counted;
    private Map<Long, Group> groups;
    private Spreads spreads;

    TableFindings(ItemColumns columns) {
        this.columns = columns;
    }

    /** Says that something else is found. */
    void forget() {
        counted = null;
        groups = null;
        spreads = null;
    }

    /** Says that items have other tags. */
    void forgetSpreads() {
        spreads = null;
    }

    /** Findings that count, and that of not being indexable, by field, kind, what they share, and section. */
    List<FindingCount> counts() {
        if (counted == null) counted = counted(groups());
        return counted;
    }

    /** The same of some rows. */
    List<FindingCount> counts(BitSet rows) {
        return counted(grouped(rows::get));
    }

    /** How findings that share nothing lie over what else their items have in common. */
    Spreads spreads() {
        if (spreads == null) spreads = spread();
        return spreads;
    }

    private Map<Long, Group> groups() {
        if (groups == null) groups = grouped(row -> true);
        return groups;
    }

    /** Rows with findings, by their findings, their place and whether they are indexable. */
    private Map<Long, Group> grouped(IntPredicate rows) {
        Map<Long, Group> groups = new LinkedHashMap<>();
        for (int row = 0; row < columns.size; row++) {
            if (columns.findingSet.get(row) == 0 || !rows.test(row)) continue;
            int first = row;
            groups.computeIfAbsent(key(row), any -> new Group(first))
                    .add(columns.linksIn.get(row), columns.stakes[row]);
        }
        return groups;
    }

    private long key(int row) {
        return ((long) columns.findingSet.get(row) << 32 | columns.place.get(row)) << 1
                | (columns.indexable.get(row) ? 1 : 0);
    }

    private static boolean isIndexable(long key) {
        return (key & 1) == 1;
    }

    private Places.Place place(long key) {
        return columns.places.place((int) (key >> 1));
    }

    private List<Mark> marks(long key) {
        return columns.findingSets.set(number(key));
    }

    private List<Trait> titled(long key) {
        return columns.findingSets.titled(number(key));
    }

    /** The number of its set of findings. */
    private static int number(long key) {
        return (int) (key >> 33);
    }

    private Spreads spread() {
        Map<String, List<Spread>> byCheck = new HashMap<>();
        int[] items = new int[columns.places.size()];
        for (int row = columns.indexable.nextSetBit(0); row >= 0; row = columns.indexable.nextSetBit(row + 1))
            items[columns.place.get(row)]++;
        Map<Trait, Integer> all = columns.places.byTrait(items);
        groups().forEach((key, group) -> {
            if (!isIndexable(key)) return;
            titled(key).forEach(trait -> all.merge(trait, group.items, Integer::sum));
            List<Mark> marks = marks(key);
            for (int i = 0; i < marks.size(); i++) {
                Check check = Checks.of(marks.get(i).field(), marks.get(i).check());
                if (check.isShared()) continue;
                byCheck.computeIfAbsent(check.id(), any -> new ArrayList<>()).add(spread(key, List.of(), group, i));
            }
        });
        if (!columns.tags.isEmpty()) {
            int[] tagged = columns.tags.counts(columns.indexable);
            byCheck.replaceAll((check, some) -> byTag(check, some, tagged, all));
        }
        return new Spreads(byCheck, all);
    }

    private Spread spread(long key, List<Trait> own, Group group, int finding) {
        List<Trait> traits = new ArrayList<>(place(key).traits());
        // A title's pattern does not explain what is wrong with the title.
        if (marks(key).get(finding).field() != Field.TITLE) traits.addAll(titled(key));
        traits.addAll(own);
        return new Spread(place(key).section(), traits, group.items, group.links, group.stake(finding));
    }

    private record Tagged(long key, int tags) {}

    /** The same findings by the tags that tell where they are, too; how many items have those is added to all. */
    private List<Spread> byTag(String check, List<Spread> untold, int[] tagged, Map<Trait, Integer> all) {
        boolean[] having = columns.findingSets.having(
                mark -> Check.id(mark.field(), mark.check()).equals(check));
        BitSet rows = (BitSet) columns.indexable.clone();
        RowTest.keep(rows, row -> having[columns.findingSet.get(row)]);
        int[] telling = columns.tags.telling(rows, tagged);
        if (telling.length == 0) return untold;
        for (int tag : telling) all.put(columns.tags.trait(tag), tagged[tag]);
        Map<Tagged, Group> groups = new LinkedHashMap<>();
        for (int row = rows.nextSetBit(0); row >= 0; row = rows.nextSetBit(row + 1)) {
            int first = row;
            groups.computeIfAbsent(new Tagged(key(row), columns.tags.mask(row, telling)), any -> new Group(first))
                    .add(columns.linksIn.get(row), columns.stakes[row]);
        }
        List<Spread> told = new ArrayList<>();
        groups.forEach((group, sum) -> told.add(spread(
                group.key,
                columns.tags.traits(telling, group.tags),
                sum,
                columns.findingSets.place(number(group.key), check))));
        return told;
    }

    private List<FindingCount> counted(Map<Long, Group> groups) {
        Map<FindingCount.Key, Sum> sums = new LinkedHashMap<>();
        groups.forEach((key, group) -> {
            boolean counted = isIndexable(key);
            String where = place(key).section();
            List<Mark> marks = marks(key);
            for (int i = 0; i < marks.size(); i++) {
                Mark mark = marks.get(i);
                if (!counted && mark.field() != Field.INDEXING) continue;
                FindingCount.Key found = new FindingCount.Key(mark.field(), mark.check(), mark.shared(), where);
                sums.computeIfAbsent(found, any -> new Sum(columns.ids[group.first]))
                        .add(group, counted ? i : ItemColumns.NONE);
            }
        });
        return sums.entrySet().stream()
                .map(entry -> entry.getValue().of(entry.getKey()))
                .sorted(Comparator.comparing(FindingCount::key))
                .toList();
    }

    /** Items with the same findings in one section. */
    private static final class Group {
        private final int first;
        private int items;
        private long links;
        private double[] stakes;

        private Group(int first) {
            this.first = first;
        }

        private void add(int moreLinks, float[] more) {
            items++;
            links += moreLinks;
            if (more == null) return;
            if (stakes == null) stakes = new double[more.length];
            for (int i = 0; i < more.length; i++) stakes[i] += more[i];
        }

        private Stake stake(int finding) {
            if (stakes == null || finding == ItemColumns.NONE) return Stake.NONE;
            return new Stake(stakes[3 * finding], stakes[3 * finding + 1], stakes[3 * finding + 2]);
        }
    }

    /** Items with a finding. */
    private static final class Sum {
        private final long firstItem;
        private int items;
        private long links;
        private Stake stake = Stake.NONE;

        private Sum(long firstItem) {
            this.firstItem = firstItem;
        }

        private void add(Group group, int finding) {
            items += group.items;
            links += group.links;
            stake = stake.plus(group.stake(finding));
        }

        private FindingCount of(FindingCount.Key key) {
            return new FindingCount(key, items, links, stake, firstItem);
        }
    }
}
