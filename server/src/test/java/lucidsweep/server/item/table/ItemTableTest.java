package lucidsweep.server.item.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.finding.Spread;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.SetMember;
import lucidsweep.core.set.Trait;
import lucidsweep.server.item.draft.FieldId;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Held against a list of the same rows that is filtered and sorted plainly, while rows change. */
class ItemTableTest {

    private static final String[] WORDS = {"Kayak", "hire", "Gull", "Cove", "ash", "paddle", "Über", "été", ""};
    private static final DraftState[] STATES = {
        null, null, DraftState.DRAFTED, DraftState.APPROVED, DraftState.SENT_BACK, DraftState.LIVE
    };
    private static final List<String> CHECKS = List.of("missing", "duplicate", "too-long");

    private static final int[] MOMENTS = {0, 100, -150, 200, -250};

    private final Random random = new Random(11);
    private ItemTable table = new ItemTable();
    private final Map<Long, ItemTable.Line> plain = new TreeMap<>();

    private ItemTableTest() {
        for (long id = 1_000; id < 1_700; id += 1 + random.nextInt(3)) {
            ItemTable.Line line = line(id);
            plain.put(id, line);
            table.add(line);
        }
    }

    private ItemTable.Line line(long id) {
        boolean indexable = random.nextInt(8) > 0;
        Long keyword = random.nextInt(3) == 0 ? null : (long) random.nextInt(5);
        List<Mark> findings = new ArrayList<>();
        for (String check : CHECKS) {
            if (random.nextInt(3) == 0)
                findings.add(new Mark(Field.TITLE, check, check.equals("duplicate") ? "group " + id % 4 : ""));
        }
        if (!indexable) findings.add(new Mark(Field.INDEXING, NotIndexable.CODE, ""));
        return new ItemTable.Line(
                id,
                "https://tarrin.example/" + words() + "/" + id % 7,
                "/section-" + random.nextInt(4) + "/",
                random.nextInt(5) == 0 ? 404 : 200,
                indexable,
                words(),
                new ItemTable.Place(random.nextInt(5), random.nextInt(50)),
                new ItemTable.Traits(
                        random.nextBoolean() ? "de" : "en", random.nextInt(90), random.nextInt(900), SetMember.UNKNOWN),
                new ItemTable.Cell[] {
                    cell(),
                    cell(),
                    random.nextBoolean() ? tags(findings) : null,
                    cell(),
                    null,
                    random.nextBoolean() ? cell() : null,
                    null,
                    random.nextBoolean() ? cell() : null,
                    null,
                    null
                },
                keyword,
                keyword == null ? null : WORDS[keyword.intValue()],
                new ItemTable.Found(findings, stakes(findings.size()), new LifeParts(since(findings.size()), ended())));
    }

    /** As {@link LifeParts} gives them: below 0 where a finding is back, none where nobody noted any. */
    private int[] since(int findings) {
        if (random.nextInt(4) == 0) return new int[0];
        return random.ints(findings, 0, MOMENTS.length).map(i -> MOMENTS[i]).toArray();
    }

    private int[] ended() {
        int[] parts = new int[2 * random.nextInt(3)];
        for (int i = 0; i < parts.length; i += 2) {
            parts[i] = Math.abs(MOMENTS[random.nextInt(MOMENTS.length)]);
            parts[i + 1] = random.nextInt(4) - 1;
        }
        return parts;
    }

    private float[] stakes(int findings) {
        String stored = stored(findings);
        assertThat(StakeParts.of(stored, findings + 1))
                .as("of findings that have changed meanwhile")
                .isNull();
        return StakeParts.of(stored, findings);
    }

    private String stored(int findings) {
        List<Stake> stakes = new ArrayList<>();
        for (int i = 0; i < findings; i++) {
            int clicks = random.nextInt(6);
            stakes.add(clicks == 0 ? Stake.NONE : new Stake(clicks, clicks - 1, clicks + 0.5));
        }
        return random.nextInt(3) == 0 ? null : StakeParts.text(stakes);
    }

    /** What the findings of some rows could win, those that a check found or all. */
    private static double clicks(ItemTable.Line line, String check) {
        double sum = 0;
        for (int i = 0; i < line.found().marks().size(); i++) {
            boolean wanted =
                    check == null || line.found().marks().get(i).check().equals(check);
            if (line.indexable() && wanted && line.found().stakes() != null)
                sum += line.found().stakes()[3 * i];
        }
        return sum;
    }

    /** Nearly all titles of what is tagged “Oak” are missing. */
    private ItemTable.Cell tags(List<Mark> findings) {
        boolean missing = findings.stream().anyMatch(mark -> mark.check().equals("missing"));
        String text = (missing || random.nextInt(20) == 0 ? "Oak, " : "") + words();
        return new ItemTable.Cell(text, 9, text.hashCode(), null);
    }

    private static boolean has(ItemTable.Line line, Trait trait) {
        if (trait.kind() == Trait.Kind.PUBLISHED) return true;
        assertThat(trait.kind()).isEqualTo(Trait.Kind.TAGGED);
        return line.cells()[2] != null
                && Arrays.stream(line.cells()[2].text().toLowerCase(Locale.ROOT).split(","))
                        .anyMatch(tag -> tag.strip().equals(trait.value()));
    }

    private ItemTable.Cell cell() {
        String text = words();
        return new ItemTable.Cell(text, text.length() * 9, text.hashCode(), STATES[random.nextInt(STATES.length)]);
    }

    private String words() {
        return random.ints(random.nextInt(4), 0, WORDS.length)
                .mapToObj(i -> WORDS[i])
                .collect(Collectors.joining(" "));
    }

    private void changeSome(int count) {
        Map<Long, ItemTable.Line> changed = new HashMap<>();
        List<Long> ids = List.copyOf(plain.keySet());
        for (int i = 0; i < count; i++) {
            long id = ids.get(random.nextInt(ids.size()));
            changed.put(id, line(id));
        }
        plain.putAll(changed);
        table.change(changed.values());
        rewriteSome(ids, count);
        stakeSome(ids, count);
        if (random.nextInt(3) == 0) table = overAStop(table);
    }

    /** As it comes back from the disk. */
    private static ItemTable overAStop(ItemTable table) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            TableOutput out = new TableOutput(bytes);
            table.write(out);
            out.flush();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return ItemTable.read(new TableInput(ByteBuffer.wrap(bytes.toByteArray())));
    }

    /** Single texts become others: what is drafted or taken away. */
    private void rewriteSome(List<Long> ids, int count) {
        List<ItemTable.Rewritten> rewritten = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            ItemTable.Line line = plain.get(ids.get(random.nextInt(ids.size())));
            int place = random.nextInt(line.cells().length);
            if (line.cells()[place] == null) continue;
            ItemTable.Cell cell = place == 2 ? tags(line.found().marks()) : cell();
            line.cells()[place] = cell;
            rewritten.add(new ItemTable.Rewritten(line.id(), FieldId.FIELDS.get(place), cell));
        }
        rewritten.add(new ItemTable.Rewritten(999_999, Field.TITLE, cell()));
        table.rewrite(rewritten);
    }

    /** What is at stake with some items in a row becomes something else. */
    private void stakeSome(List<Long> ids, int count) {
        int from = random.nextInt(ids.size());
        List<Long> some = ids.subList(from, Math.min(ids.size(), from + count));
        Map<Long, String> parts = new HashMap<>();
        for (long id : some) {
            ItemTable.Found found = plain.get(id).found();
            String stored = stored(found.marks().size());
            if (stored != null) parts.put(id, stored);
            float[] stakes = StakeParts.of(stored, found.marks().size());
            plain.put(id, with(plain.get(id), new ItemTable.Found(found.marks(), stakes, found.life())));
        }
        table.staked(some.get(0), some.get(some.size() - 1), parts);
    }

    private static ItemTable.Line with(ItemTable.Line line, ItemTable.Found found) {
        return new ItemTable.Line(
                line.id(),
                line.address(),
                line.section(),
                line.status(),
                line.indexable(),
                line.h1(),
                line.place(),
                line.traits(),
                line.cells(),
                line.keywordId(),
                line.keyword(),
                found);
    }

    private static String lower(String text) {
        return text == null ? "" : text.toLowerCase(Locale.ROOT);
    }

    private static String text(ItemTable.Line line, int field) {
        return line.cells()[field] == null ? "" : lower(line.cells()[field].text());
    }

    private static int px(ItemTable.Line line, int field) {
        return line.cells()[field] == null ? 0 : line.cells()[field].px();
    }

    private static Comparator<ItemTable.Line> by(ItemSort sort) {
        return switch (sort) {
            case ADDRESS -> Comparator.comparing(line -> lower(line.address()));
            case SECTION -> Comparator.comparing(line -> lower(line.section()));
            case TITLE -> Comparator.comparing(line -> text(line, 0));
            case DESCRIPTION -> Comparator.comparing(line -> text(line, 1));
            case TAGS -> Comparator.comparing(line -> text(line, 2));
            case TITLE_PX -> Comparator.comparing(line -> px(line, 0));
            case DESCRIPTION_PX -> Comparator.comparing(line -> px(line, 1));
            case H1 -> Comparator.comparing(line -> lower(line.h1()));
            case LINKS_IN -> Comparator.comparing(line -> line.place().linksIn());
            case DEPTH -> Comparator.comparing(line -> line.place().depth());
            case STATUS -> Comparator.comparing(ItemTable.Line::status);
            case KEYWORD -> Comparator.comparing(line -> lower(line.keyword()));
            case STAKE -> Comparator.comparing(line -> clicks(line, null));
            case FINDINGS -> Comparator.comparing(line -> line.found().marks().size());
        };
    }

    private List<Long> plainly(Predicate<ItemTable.Line> wanted, ItemSort sort, boolean descending) {
        Comparator<ItemTable.Line> order = by(sort).thenComparing(ItemTable.Line::id);
        if (descending) order = order.reversed();
        if (sort == ItemSort.KEYWORD) {
            order = Comparator.<ItemTable.Line, Boolean>comparing(line -> line.keywordId() == null)
                    .thenComparing(order);
        }
        return plain.values().stream()
                .filter(wanted)
                .sorted(order)
                .map(ItemTable.Line::id)
                .toList();
    }

    private void assertSame(ItemFilter filter, Predicate<ItemTable.Line> wanted, ItemSort sort) {
        for (boolean descending : new boolean[] {false, true}) {
            assertThat(table.ids(filter, null, sort, descending))
                    .as(filter + " by " + sort + (descending ? " descending" : ""))
                    .containsExactly(plainly(wanted, sort, descending).toArray(Long[]::new));
        }
    }

    private static ItemFilter filter(
            String q,
            String section,
            Field field,
            String check,
            String shared,
            String state,
            String target,
            String indexable) {
        return new ItemFilter(q, section, field, check, shared, state, target, indexable, null, null, null, null);
    }

    private static boolean has(ItemTable.Line line, String check) {
        return line.found().marks().stream().anyMatch(mark -> mark.check().equals(check));
    }

    @ParameterizedTest
    @EnumSource(ItemSort.class)
    void ordersStayRightWhileRowsChange(ItemSort sort) {
        assertSame(ItemFilter.ALL, line -> true, sort);
        for (int changed : new int[] {1, 5, 60, 400}) {
            changeSome(changed);
            assertSame(ItemFilter.ALL, line -> true, sort);
        }
    }

    @Test
    void filtersMeanWhatTheySay() {
        for (int round = 0; round < 3; round++) {
            changeSome(40);
            assertSame(
                    filter("ÜBER", null, null, null, null, null, null, null),
                    line -> (lower(line.address()) + "|" + text(line, 0) + "|" + text(line, 1) + "|" + text(line, 2))
                            .contains("über"),
                    ItemSort.TITLE);
            assertSame(
                    filter(null, "/section-2/", null, null, null, null, null, "yes"),
                    line -> line.section().equals("/section-2/") && line.indexable(),
                    ItemSort.H1);
            assertSame(
                    filter(null, null, Field.TITLE, "duplicate", "group 3", null, null, null),
                    line -> line.indexable()
                            && line.found().marks().contains(new Mark(Field.TITLE, "duplicate", "group 3")),
                    ItemSort.ADDRESS);
            assertSame(
                    filter(null, "/section-1/", Field.TITLE, "any", null, null, null, null),
                    line -> line.indexable()
                            && line.section().equals("/section-1/")
                            && line.found().marks().stream().anyMatch(mark -> mark.field() == Field.TITLE),
                    ItemSort.STAKE);
            assertSame(
                    filter(null, null, null, NotIndexable.CODE, null, null, null, null),
                    line -> !line.indexable(),
                    ItemSort.LINKS_IN);
            assertSame(
                    filter(null, null, Field.DESCRIPTION, null, null, "approved", null, null),
                    line -> line.cells()[1].state() == DraftState.APPROVED,
                    ItemSort.STATUS);
            assertSame(
                    filter(null, null, null, null, null, "any", "with", "no"),
                    line -> line.keywordId() != null
                            && !line.indexable()
                            && java.util.Arrays.stream(line.cells())
                                    .anyMatch(field -> field != null && field.state() != null),
                    ItemSort.DEPTH);
            assertSame(
                    filter(null, null, null, "too-long", null, null, "3", null),
                    line -> line.indexable()
                            && has(line, "too-long")
                            && Long.valueOf(3).equals(line.keywordId()),
                    ItemSort.FINDINGS);
            assertSame(filter("no such text", null, null, null, null, null, null, null), line -> false, ItemSort.TITLE);
            assertSame(filter(null, "/nowhere/", null, null, null, null, null, null), line -> false, ItemSort.TITLE);
        }
        List<Long> some = List.of(999L, 1_000L, plain.keySet().iterator().next(), 5_000L);
        assertSame(ItemFilter.ofIds(some), line -> some.contains(line.id()), ItemSort.ADDRESS);
    }

    @Test
    void countsAndTwinsFollowEveryChange() {
        for (int round = 0; round < 4; round++) {
            changeSome(50);
            Items.Counts counts = table.counts();
            assertThat(counts.items()).isEqualTo(plain.size());
            assertThat(counts.indexable()).isEqualTo((int) count(ItemTable.Line::indexable));
            assertThat(counts.aimed()).isEqualTo((int) count(line -> line.keywordId() != null));
            assertThat(counts.withFindings()).isEqualTo((int)
                    count(line -> line.indexable() && !line.found().marks().isEmpty()));
            assertThat(counts.drafts().get(DraftState.APPROVED)).isEqualTo((int) plain.values().stream()
                    .flatMap(line -> java.util.Arrays.stream(line.cells()))
                    .filter(field -> field != null && field.state() == DraftState.APPROVED)
                    .count());
            assertThat(table.sections().stream().mapToInt(Items.Section::items).sum())
                    .isEqualTo(plain.size());
            assertThat(table.findingCounts().stream()
                            .filter(found -> found.key().check().equals("missing"))
                            .mapToInt(FindingCount::items)
                            .sum())
                    .isEqualTo((int) count(line -> line.indexable() && has(line, "missing")));
            assertThat(table.findingCounts().stream()
                            .filter(found -> found.key().check().equals("missing"))
                            .mapToDouble(found -> found.stake().clicks())
                            .sum())
                    .isEqualTo(plain.values().stream()
                            .mapToDouble(line -> clicks(line, "missing"))
                            .sum());
            double all = plain.values().stream()
                    .mapToDouble(line -> clicks(line, null))
                    .sum();
            assertThat(counts.stake().clicks()).isEqualTo(all).isPositive();
            assertThat(counts.stake().low()).isLessThan(all);
            assertThat(counts.stake().high()).isGreaterThan(all);
            long hash = "Kayak".hashCode();
            Predicate<ItemTable.Line> twin = line -> line.cells()[0].alike() == hash;
            assertThat(table.alikeItems(Field.TITLE, List.of(hash)))
                    .containsExactlyElementsOf(plainly(twin, ItemSort.ADDRESS, false).stream()
                            .sorted()
                            .toList());
            List<Long> group = plainly(twin.and(ItemTable.Line::indexable), ItemSort.ADDRESS, false).stream()
                    .sorted()
                    .toList();
            assertThat(table.alikeGroups(Field.TITLE, List.of(hash, 77L)))
                    .isEqualTo(
                            group.size() < 2
                                    ? List.of()
                                    : List.of(new AlikeGroup(
                                            hash, group.size(), group.get(0), group.get(group.size() - 1))));
        }
    }

    private static int since(ItemTable.Line line, int finding) {
        int[] since = line.found().life().since();
        return since.length == 0 ? 0 : since[finding];
    }

    /** How many findings of indexable rows came at such moments. */
    private int found(IntPredicate moments) {
        int found = 0;
        for (ItemTable.Line line : plain.values()) {
            for (int i = 0; line.indexable() && i < line.found().marks().size(); i++)
                if (moments.test(since(line, i))) found++;
        }
        return found;
    }

    /** How many findings ended after a moment, by a draft of a field that fits or otherwise (null). */
    private int ended(int moment, Predicate<ItemTable.Cell> byDraft) {
        int found = 0;
        for (ItemTable.Line line : plain.values()) {
            int[] parts = line.found().life().ended();
            for (int i = 0; i < parts.length; i += 2) {
                boolean fixed = parts[i + 1] < 0;
                boolean fits = byDraft == null ? fixed : !fixed && byDraft.test(line.cells()[parts[i + 1]]);
                if (parts[i] > moment && fits) found++;
            }
        }
        return found;
    }

    private void assertLives(int moment) {
        Predicate<ItemTable.Cell> delivered =
                cell -> cell != null && cell.state() != null && cell.state().isDelivered();
        assertThat(table.lives(moment))
                .as("since " + moment)
                .isEqualTo(new FindingLives(
                        found(when -> when > moment),
                        found(when -> -when > moment),
                        found(when -> Math.abs(when) <= moment),
                        ended(moment, delivered.negate()),
                        ended(moment, delivered),
                        ended(moment, null)));
    }

    /** Some titles, drafted or not. */
    private void deliverSome() {
        List<ItemTable.Line> some =
                plain.values().stream().filter(line -> line.id() % 3 == 0).toList();
        table.move(
                Map.of(Field.TITLE, some.stream().mapToLong(ItemTable.Line::id).toArray()), DraftState.DELIVERED);
        for (ItemTable.Line line : some) {
            ItemTable.Cell title = line.cells()[0];
            line.cells()[0] = new ItemTable.Cell(title.text(), title.px(), title.alike(), DraftState.DELIVERED);
        }
    }

    @Test
    void whenFindingsCameAndEndedIsCountedAndFilteredBy() {
        for (int moment : new int[] {0, 99, 100, 150, 220, 300}) {
            changeSome(30);
            assertLives(moment);
            deliverSome();
            assertLives(moment);
            for (LifeFilter.What what : LifeFilter.What.values()) {
                LifeFilter life = new LifeFilter(what, moment);
                for (String check : List.of("any", "too-long")) {
                    ItemFilter filter =
                            new ItemFilter(null, null, null, check, null, null, null, null, null, life, null, null);
                    Predicate<ItemTable.Line> wanted = line -> line.indexable()
                            && IntStream.range(0, line.found().marks().size())
                                    .filter(i -> check.equals("any")
                                            || line.found()
                                                    .marks()
                                                    .get(i)
                                                    .check()
                                                    .equals(check))
                                    .anyMatch(i -> life.has(since(line, i)));
                    assertSame(filter, wanted, ItemSort.ADDRESS);
                }
            }
        }
    }

    @Test
    void findingsOfASetAndOverTraitsAreCounted() {
        Predicate<SetMember> german = row -> row.language().equals("de");
        for (int round = 0; round < 3; round++) {
            changeSome(50);
            Predicate<ItemTable.Line> open =
                    line -> line.indexable() && line.traits().language().equals("de");
            Items.SetFindings found = table.findingsOf(german);
            assertThat(found.indexable()).isEqualTo((int) count(open));
            assertThat(found.withFindings()).isEqualTo((int)
                    count(open.and(line -> !line.found().marks().isEmpty())));
            for (String check : CHECKS) {
                Predicate<ItemTable.Line> faulty = line -> has(line, check);
                assertThat(found.counts().stream()
                                .filter(each -> each.key().check().equals(check))
                                .mapToInt(FindingCount::items)
                                .sum())
                        .as(check)
                        .isEqualTo((int) count(open.and(faulty)));
                int spread = table.spreads().byCheck().getOrDefault("title " + check, List.of()).stream()
                        .mapToInt(Spread::items)
                        .sum();
                assertThat(spread)
                        .as(check)
                        .isEqualTo(check.equals("duplicate") ? 0 : (int) count(faulty.and(ItemTable.Line::indexable)));
            }
            assertThat(table.spreads().indexable())
                    .containsEntry(Trait.of("published 366.."), (int) count(ItemTable.Line::indexable));
            table.spreads()
                    .indexable()
                    .forEach((trait, items) -> assertThat(items)
                            .as(trait.toString())
                            .isEqualTo((int) count(line -> line.indexable() && has(line, trait))));
            Trait oak = Trait.of("tagged oak");
            assertThat(table.spreads().byCheck().get("title missing").stream()
                            .filter(spread -> spread.traits().contains(oak))
                            .mapToInt(Spread::items)
                            .sum())
                    .isEqualTo((int) count(line -> line.indexable() && has(line, "missing") && has(line, oak)));
        }
    }

    @Test
    void aWholeAddressMeansItsItemOnly() {
        ItemTable.Line below = plain.get(plain.keySet().iterator().next());
        String whole = below.address().toUpperCase(Locale.ROOT);
        assertSame(
                new ItemFilter(whole, null, null, null, null, null, null, null, null, null, null, null),
                line -> line.address().equalsIgnoreCase(whole),
                ItemSort.ADDRESS);
        String part = below.address().substring(0, below.address().length() - 1);
        assertSame(
                new ItemFilter(part, null, null, null, null, null, null, null, null, null, null, null),
                line -> plain.values().stream().anyMatch(each -> each.address().equals(part))
                        ? line.address().equals(part)
                        : line.address().toLowerCase(Locale.ROOT).contains(part.toLowerCase(Locale.ROOT)),
                ItemSort.ADDRESS);
    }

    @Test
    void setsSeeEachRowAsItIs() {
        Predicate<SetMember> german = row -> row.language().equals("de") && row.price() < 40;
        Predicate<SetMember> faulty =
                row -> row.hasFinding(Field.TITLE, "too-long") && !row.keyword().isEmpty();
        Predicate<SetMember> old = row ->
                row.publishedDay() > 300 && row.indexable() && row.section().endsWith("2/");
        Map<Predicate<SetMember>, Predicate<ItemTable.Line>> same = Map.of(
                german,
                        line -> line.traits().language().equals("de")
                                && line.traits().price() < 40,
                faulty,
                        line -> has(line, "too-long")
                                && line.keywordId() != null
                                && !line.keyword().isEmpty(),
                old,
                        line -> line.traits().publishedDay() > 300
                                && line.indexable()
                                && line.section().endsWith("2/"));
        List<Predicate<SetMember>> sets = List.of(german, faulty, old);
        for (int round = 0; round < 3; round++) {
            changeSome(60);
            for (Predicate<SetMember> set : sets) {
                Long[] wanted = plainly(same.get(set), ItemSort.ADDRESS, false).stream()
                        .sorted()
                        .toArray(Long[]::new);
                assertThat(table.members(set)).containsExactly(wanted).isNotEmpty();
                assertThat(table.ids(ItemFilter.ALL, set, ItemSort.TITLE, false))
                        .containsExactly(
                                plainly(same.get(set), ItemSort.TITLE, false).toArray(Long[]::new));
            }
            long[] ids = LongStream.concat(
                            LongStream.of(1), plain.keySet().stream().mapToLong(Long::longValue))
                    .toArray();
            long[] found = table.memberships(ids, sets);
            assertThat(found[0]).as("of an item that is not there").isZero();
            for (int i = 1; i < ids.length; i++) {
                ItemTable.Line line = plain.get(ids[i]);
                for (int set = 0; set < sets.size(); set++)
                    assertThat((found[i] >> set & 1) == 1)
                            .isEqualTo(same.get(sets.get(set)).test(line));
            }
        }
    }

    private long count(Predicate<ItemTable.Line> wanted) {
        return plain.values().stream().filter(wanted).count();
    }
}
