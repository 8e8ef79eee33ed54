package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.Trait;
import org.junit.jupiter.api.Test;

/** Causes gather findings and lose none. */
class CausesTest {

    private static final String[] SECTIONS = {"/", "/hire/", "/tours/", "/shop/", "/journal/"};

    private static final Map<String, Integer> SIZES =
            Map.of("/", 10, "/hire/", 20, "/tours/", 3_000, "/shop/", 45, "/journal/", 100);

    @Test
    void causesGatherWhatOneActionFixes() {
        Check ending = Checks.of(Field.TITLE, "common-ending");
        Check missing = Checks.of(Field.DESCRIPTION, "missing");
        Check duplicate = Checks.of(Field.TITLE, "duplicate");
        List<Cause> causes = Causes.of(
                List.of(
                        new Tally(ending, " | Tarrin", "", "/tours/", 2_070, 2_070, Stake.NONE),
                        new Tally(ending, " | Tarrin", "", "/hire/", 10, 10, Stake.NONE),
                        new Tally(missing, "", "", "/shop/", 40, 5_000, Stake.NONE),
                        new Tally(missing, "", "", "/journal/", 3, 5, Stake.NONE),
                        new Tally(duplicate, "boats", "Boats!", "/shop/", 9, 9, Stake.NONE),
                        new Tally(duplicate, "canoes", "Canoes", "/shop/", 2, 2, Stake.NONE),
                        new Tally(duplicate, "oars", "Oars", "/hire/", 2, 2, Stake.NONE),
                        new Tally(duplicate, ":translation", "Oars", "/hire/", 3, 2, Stake.NONE)),
                SIZES,
                Spreads.NONE,
                found -> 75);
        assertThat(causes)
                .extracting(Cause::says)
                .containsExactly(
                        "2,080 titles end in the same 8 letters, “| Tarrin”. Without them, 75 fit.",
                        "40 items in /shop/ have no description.",
                        "9 items share one title: “Boats!”.",
                        "4 titles are used on several items, in 2 small groups.",
                        "3 titles repeat those of the same pages in other languages.",
                        "3 items in /journal/ have no description.");
        assertThat(causes.get(0).fix()).isEqualTo(Fix.REMOVE_ENDING);
        assertThat(causes.get(4).fix()).isEqualTo(Fix.TRANSLATE);
    }

    @Test
    void whatIsQuotedIsShort() {
        Check duplicate = Checks.of(Field.DESCRIPTION, "duplicate");
        for (String text : List.of("A boat. ".repeat(40).strip(), "x".repeat(300), "🛶".repeat(300))) {
            Tally tally = new Tally(duplicate, "boats", text, "/shop/", 9, 9, Stake.NONE);
            assertThat(Causes.of(List.of(tally), SIZES, Spreads.NONE, ending -> 1))
                    .singleElement()
                    .extracting(Cause::says)
                    .asString()
                    .hasSizeLessThan(140)
                    .endsWith(" …”.");
        }
    }

    @Test
    void aSectionIsNamedWhereNearlyAllOfItHasTheFault() {
        Check missing = Checks.of(Field.DESCRIPTION, "missing");
        List<Tally> tallies = new ArrayList<>(List.of(
                new Tally(missing, "", "", "/shop/", 36, 1, Stake.NONE),
                new Tally(missing, "", "", "/hire/", 15, 1, Stake.NONE),
                new Tally(missing, "", "", "/journal/", 60, 1, Stake.NONE)));
        assertThat(Causes.of(tallies, SIZES, Spreads.NONE, ending -> 1))
                .extracting(Cause::says)
                .containsExactly("75 items have no description.", "36 items in /shop/ have no description.");
        tallies.add(new Tally(missing, "", "", "/tours/", 2_900, 1, Stake.NONE));
        assertThat(Causes.of(tallies, SIZES, Spreads.NONE, ending -> 1))
                .extracting(Cause::says)
                .containsExactly("3,011 items have no description.");
    }

    @Test
    void whatElseItemsHaveInCommonIsNamed() {
        Check missing = Checks.of(Field.DESCRIPTION, "missing");
        Trait kits = Trait.of("folder /shop/kits/");
        Trait oars = Trait.of("folder /shop/oars/");
        Trait fresh = Trait.of("published ..61");
        Trait thisYear = Trait.of("published ..365");
        List<Spread> spread = List.of(
                new Spread("/shop/", List.of(kits), 20, 1, Stake.NONE),
                new Spread("/shop/", List.of(oars), 9, 1, Stake.NONE),
                new Spread("/shop/", List.of(oars, fresh, thisYear), 3, 1, new Stake(4, 2, 8)),
                new Spread("/journal/", List.of(fresh, thisYear), 36, 1, Stake.NONE),
                new Spread("/journal/", List.of(thisYear), 2, 1, Stake.NONE),
                new Spread("/tours/", List.of(), 5, 1, Stake.NONE));
        List<Tally> tallies = spread.stream()
                .map(some -> new Tally(missing, "", "", some.section(), some.items(), some.links(), some.stake()))
                .toList();
        Spreads spreads =
                new Spreads(Map.of(missing.id(), spread), Map.of(kits, 22, oars, 12, fresh, 45, thisYear, 90));
        assertThat(Causes.of(tallies, SIZES, spreads, ending -> 1))
                .extracting(cause -> cause.says() + " " + cause.trait())
                .containsExactly(
                        "39 items published in the last 2 months have no description. published ..61",
                        "20 items in /shop/kits/ have no description. folder /shop/kits/",
                        "16 items have no description. null");
    }

    @Test
    void everyFindingIsInOneCause() {
        for (int seed = 0; seed < 200; seed++) {
            List<Tally> tallies = tallies(new Random(seed));
            Spreads spreads = spreads(tallies, new Random(seed));
            List<Cause> causes = Causes.of(tallies, SIZES, spreads, ending -> 1);
            assertThat(perKind(causes.stream()
                            .map(c -> new Tally(c.check(), "", "", "", c.items(), c.links(), c.stake()))
                            .toList()))
                    .isEqualTo(perKind(tallies));
            assertThat(causes).allSatisfy(cause -> {
                assertThat(cause.items()).isPositive();
                assertThat(cause.says()).matches("\\d+ .*\\.");
                if (cause.trait() != null) {
                    assertThat(cause.says()).contains(cause.trait().inWords());
                    int having = spreads.byCheck().get(cause.check().id()).stream()
                            .filter(spread -> spread.traits().contains(cause.trait()))
                            .mapToInt(Spread::items)
                            .sum();
                    assertThat(cause.items()).as("what the filter finds").isEqualTo(having);
                }
                if (!cause.section().isEmpty() && cause.shared().isEmpty())
                    assertThat(cause.says()).contains("in " + cause.section());
            });
            assertThat(causes)
                    .isSortedAccordingTo(Comparator.comparingDouble(
                                    (Cause cause) -> cause.stake().clicks())
                            .thenComparingDouble(Cause::weight)
                            .reversed());
            assertThat(causes.stream()
                            .mapToDouble(cause -> cause.stake().clicks())
                            .sum())
                    .isEqualTo(tallies.stream()
                            .mapToDouble(tally -> tally.stake().clicks())
                            .sum());
        }
    }

    /** A cause that names a section names one where all its items stand, so that the filter behind it finds them all. */
    @Test
    void aNamedSectionHoldsAllItemsOfItsCause() {
        for (int seed = 0; seed < 200; seed++) {
            List<Tally> tallies = tallies(new Random(seed));
            for (Cause cause : Causes.of(tallies, SIZES, Spreads.NONE, ending -> 1)) {
                if (cause.section().isEmpty() || !cause.shared().isEmpty()) continue;
                int there = tallies.stream()
                        .filter(tally -> tally.check().equals(cause.check())
                                && tally.section().equals(cause.section()))
                        .mapToInt(Tally::items)
                        .sum();
                assertThat(cause.items()).as(cause.says()).isEqualTo(there);
            }
        }
    }

    @Test
    void theOrderOfTheTalliesChangesNothing() {
        for (int seed = 0; seed < 50; seed++) {
            List<Tally> tallies = tallies(new Random(seed));
            List<Cause> causes = Causes.of(tallies, SIZES, Spreads.NONE, ending -> 1);
            Collections.shuffle(tallies, new Random(seed + 1));
            assertThat(Causes.of(tallies, SIZES, Spreads.NONE, ending -> 1)).isEqualTo(causes);
        }
    }

    private static Map<String, List<Long>> perKind(List<Tally> tallies) {
        Map<String, List<Long>> sums = new TreeMap<>();
        for (Tally tally : tallies) {
            sums.merge(
                    tally.check().id(),
                    List.of((long) tally.items(), tally.links()),
                    (a, b) -> List.of(a.get(0) + b.get(0), a.get(1) + b.get(1)));
        }
        return sums;
    }

    /** The same findings, each with random traits. */
    private static Spreads spreads(List<Tally> tallies, Random random) {
        Map<String, List<Spread>> byCheck = new TreeMap<>();
        Map<Trait, Integer> indexable = new TreeMap<>();
        for (Tally tally : tallies) {
            if (tally.check().isShared()) continue;
            List<Trait> traits = new ArrayList<>();
            if (random.nextBoolean()) traits.add(Trait.of("folder " + tally.section() + "a/"));
            if (random.nextBoolean()) traits.add(Trait.of("published ..61"));
            if (random.nextBoolean()) traits.add(Trait.of("tagged oak " + random.nextInt(2)));
            Spread spread = new Spread(tally.section(), traits, tally.items(), tally.links(), tally.stake());
            byCheck.computeIfAbsent(tally.check().id(), any -> new ArrayList<>())
                    .add(spread);
            for (Trait trait : traits) indexable.merge(trait, tally.items() * 9 / 8, Integer::sum);
        }
        return new Spreads(byCheck, indexable);
    }

    private static List<Tally> tallies(Random random) {
        Map<String, Tally> tallies = new TreeMap<>();
        // Few, so that many findings are of the same one; those that share something among them.
        List<Check> checks = Checks.all().stream()
                .filter(check -> check.isShared() || check.code().equals("missing"))
                .toList();
        for (int n = 1 + random.nextInt(40); n > 0; n--) {
            Check check = checks.get(random.nextInt(checks.size()));
            String shared = check.isShared() ? " shared " + random.nextInt(4) : "";
            String section = SECTIONS[random.nextInt(SECTIONS.length)];
            int items = 1 + random.nextInt(12);
            double clicks = random.nextInt(3) * 4;
            Stake stake = new Stake(clicks, clicks / 2, clicks * 2);
            tallies.put(
                    check.id() + shared + section,
                    new Tally(check, shared, shared, section, items, random.nextInt(30), stake));
        }
        return new ArrayList<>(tallies.values());
    }
}
