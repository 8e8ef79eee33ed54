package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import org.junit.jupiter.api.Test;

class TagPlanTest {

    private static final Words ENGLISH = Words.in("en");

    /** Against every subset: what is chosen keeps to the budget, no set is worth more than the bound, and the gap is what it says. */
    @Test
    void oneSetIsAsGoodAsTryingThemAll() {
        Random random = new Random(15);
        int exact = 0;
        int shorter = 0;
        for (int round = 0; round < 600; round++) {
            List<TagCandidate> candidates = new ArrayList<>();
            for (int i = 0; i < 13; i++) {
                int chars = 3 + random.nextInt(20);
                candidates.add(new TagCandidate("tag " + i, chars, random.nextInt(900) - 20, random.nextInt(4) == 0));
            }
            Standard.TagLimits limits = new Standard.TagLimits(2 + random.nextInt(6), 20, 20 + random.nextInt(80));
            int brands = random.nextInt(3);
            TagChooser.Chosen made = new TagChooser(limits, brands).choose(candidates);
            double best = 0;
            for (int set = 0; set < 1 << 13; set++) {
                if (Integer.bitCount(set) > limits.max()) continue;
                double value = 0;
                int chars = Math.max(0, Integer.bitCount(set) - 1);
                int branded = 0;
                boolean allowed = true;
                for (int i = 0; i < 13; i++) {
                    if ((set & 1 << i) == 0) continue;
                    TagCandidate each = candidates.get(i);
                    value += each.value();
                    chars += each.chars();
                    if (each.brand()) branded++;
                    allowed &= each.chars() <= limits.maxChars();
                }
                if (allowed && branded <= brands && chars <= limits.maxTotalChars()) best = Math.max(best, value);
            }
            assertThat(made.value()).as(limits + " of " + candidates).isEqualTo(best);
            assertThat(made.tags().stream().mapToDouble(TagCandidate::value).sum())
                    .isEqualTo(made.value());
            assertThat(made.bound()).isGreaterThanOrEqualTo(best - 1e-6);
            if (made.gap() == 0) exact++;
            if (made.tags().size() < limits.max()) shorter++;
        }
        assertThat(exact).isEqualTo(600);
        assertThat(shorter).as("the letters were short in many").isGreaterThan(100);
    }

    @Test
    void nothingUnrelatedNothingTwiceNoForbiddenWord() {
        Map<String, Double> searches = new TreeMap<>(Map.of(
                "oak paddle", 900.0,
                "oak paddles", 400.0,
                "gift for sailors", 800.0,
                "canoe", 5_000.0,
                "cheap oak paddle", 700.0,
                "tarrin bay", 90.0,
                "tarrin bay paddle", 30.0));
        TagPlan plan = new TagPlan(ENGLISH, searches, List.of("Tarrin Bay"), List.of("cheap"));
        Standard.TagLimits limits = new Standard.TagLimits(6, 20, 500);
        plan.add(new TagPlan.Item(1, "Oak paddle", List.of("hand carved", "gift for sailors"), "A present.", limits));
        TagPlan.Planned planned = plan.planned(0.33);
        assertThat(planned.tags().get(1L))
                .containsExactly("oak paddle", "gift for sailors", "tarrin bay", "tarrin bay paddle", "hand carved");
        assertThat(planned.before()).isEqualTo(800);
        assertThat(planned.after()).isEqualTo(900 + 800 + 90 + 30);
        assertThat(planned.gap()).isZero();
    }

    /** Sixty listings that could all carry the same four tags cover more than those. */
    @Test
    void aShopCoversMoreThanItsBestTags() {
        Map<String, Double> searches = new TreeMap<>();
        String[] woods = {"oak", "ash", "cherry", "walnut", "larch", "cedar"};
        for (int i = 0; i < woods.length; i++)
            for (String what : List.of("paddle", "gift", "decor", "present"))
                searches.put(woods[i] + " " + what, 100.0 + 10 * i);
        for (String what : List.of("paddle gift", "wooden paddle", "lake decor", "boat gift"))
            searches.put(what, 2_000.0);
        TagPlan plan = new TagPlan(ENGLISH, searches, List.of(), List.of());
        Standard.TagLimits limits = new Standard.TagLimits(4, 20, 500);
        String rest = "A wooden paddle as lake and boat decor: a gift, a present.";
        for (int i = 0; i < 60; i++)
            plan.add(new TagPlan.Item(i, woods[i % 6] + " paddle", List.of("paddle gift"), rest, limits));
        TagPlan.Planned planned = plan.planned(0.33);
        assertThat(new HashSet<>(planned.tags().values())).hasSizeGreaterThan(6);
        assertThat(planned.after())
                .as("all that is searched")
                .isEqualTo(searches.values().stream().mapToDouble(d -> d).sum());
        assertThat(planned.tags().values())
                .allSatisfy(set -> assertThat(set).hasSize(4).doesNotHaveDuplicates());
        assertThat(plan.planned(0.33)).as("the same again").isEqualTo(planned);
    }
}
