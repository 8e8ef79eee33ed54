package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.function.UnaryOperator;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import org.junit.jupiter.api.Test;

/** Whatever the recipe and whatever the item: what is composed keeps to the rules. */
class RecipeComposerTest {

    private static final Words ENGLISH = Words.in("en");
    private static final Names NAMES = Names.of(List.of("Tarrin Bay Kayaks", "Gull Cove"));
    private static final Source.Kind[] KINDS = {
        Source.Kind.H1, Source.Kind.KEYWORD, Source.Kind.SLUG, Source.Kind.BRAND, Source.Kind.SECTION, Source.Kind.PRICE
    };
    private static final String[] WORDS = {
        "Guided",
        "kayak",
        "hire",
        "tours",
        "of",
        "the",
        "Gull",
        "Cove",
        "with",
        "and",
        "lessons",
        "(families)",
        "–",
        "paddles,",
        "workshop.",
        "für",
        "漢字",
        "€45",
        "WWWWWWWWWWWWWWWW",
        "Mmmmmmm",
        "in",
        "à",
        "la",
        "carte!"
    };

    @Test
    void everythingComposedFitsAndSaysNothingTwice() {
        Random random = new Random(31);
        Standard.TextLimits[] limits = {
            Standard.ofPages().title(), Standard.ofPages().description()
        };
        int[] outcomes = new int[Composition.Outcome.values().length];
        for (int round = 0; round < 3_000; round++) {
            Standard.TextLimits limit = limits[round % 2];
            Map<Source.Kind, String> item = item(random);
            Recipe recipe = recipe(random);
            RecipeComposer fitter = new RecipeComposer(recipe, limit, ENGLISH, NAMES, UnaryOperator.identity());
            Composition made = fitter.compose(KnownTexts.of(item));
            outcomes[made.outcome().ordinal()]++;
            String says = recipe + " of " + item + " is “" + made.text() + "”";

            assertThat(limit.fits(made.text(), Graphemes.count(made.text())))
                    .as(says)
                    .isTrue();
            assertThat(made.text())
                    .as(says)
                    .doesNotContain("  ")
                    .isEqualTo(made.text().strip());
            assertThat(made.text().isEmpty()).as(says).isEqualTo(made.outcome() == Composition.Outcome.NOTHING);
            if (made.outcome() == Composition.Outcome.SHORTENED)
                assertThat(made.leftOut()).as(says).isNotEmpty();
            assertThat(fitter.compose(KnownTexts.of(item))).as("the same again").isEqualTo(made);
        }
        assertThat(outcomes).as("every outcome was met").doesNotContain(0);
    }

    /** A part stays only if it says something that no more important part says. */
    @Test
    void noPartRepeatsAMoreImportantOne() {
        Random random = new Random(32);
        Standard.TextLimits wide = Standard.ofListings().description();
        for (int round = 0; round < 2_000; round++) {
            Map<Source.Kind, String> item = item(random);
            Recipe recipe = recipe(random);
            String made = new RecipeComposer(recipe, wide, ENGLISH, NAMES, UnaryOperator.identity())
                    .compose(KnownTexts.of(item))
                    .text();
            List<Part> used = new ArrayList<>();
            for (Part part : recipe.parts()) if (!text(part, item).isEmpty()) used.add(part);
            for (Part part : used) {
                Set<String> own = stems(text(part, item));
                boolean first = used.stream()
                        .noneMatch(other -> other != part
                                && (other.rank() < part.rank()
                                        || other.rank() == part.rank() && used.indexOf(other) < used.indexOf(part))
                                && stems(text(other, item)).containsAll(own));
                if (first && !own.isEmpty()) assertThat(made).contains(text(part, item));
            }
            assertThat(stems(made))
                    .containsAll(stems(String.join(
                            " ", used.stream().map(part -> text(part, item)).toList())));
        }
    }

    /** What tells an item apart is in the text even where the line was full without it. */
    @Test
    void whatTellsApartIsNeverTheFirstToGo() {
        Random random = new Random(33);
        int told = 0;
        for (int round = 0; round < 1_000; round++) {
            Map<Source.Kind, String> item = item(random);
            RecipeComposer fitter = new RecipeComposer(
                    recipe(random), Standard.ofPages().title(), ENGLISH, NAMES, UnaryOperator.identity());
            String plain = fitter.compose(KnownTexts.of(item)).text();
            Composition apart = fitter.compose(KnownTexts.of(item), "No " + round);
            if (apart.text().contains("No " + round)) told++;
            else assertThat(apart.text()).as("“%s” leaves no room", plain).isNotEqualTo("No " + round);
        }
        assertThat(told).isGreaterThan(700);
    }

    private static Map<Source.Kind, String> item(Random random) {
        Map<Source.Kind, String> item = new EnumMap<>(Source.Kind.class);
        for (Source.Kind kind : KINDS) {
            if (random.nextInt(5) == 0) continue;
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(kind == Source.Kind.H1 ? 14 : 5); n >= 0; n--)
                text.append(WORDS[random.nextInt(WORDS.length)]).append(' ');
            item.put(
                    kind,
                    kind == Source.Kind.BRAND
                            ? "Tarrin Bay Kayaks"
                            : text.toString().strip());
        }
        return item;
    }

    private static Recipe recipe(Random random) {
        List<Part> parts = new ArrayList<>();
        int count = 1 + random.nextInt(5);
        for (int i = 0; i < count; i++) {
            List<Source> sources = new ArrayList<>();
            for (int n = random.nextInt(2); n >= 0; n--)
                sources.add(new Source(KINDS[random.nextInt(KINDS.length)], ""));
            String before = random.nextBoolean() ? " | " : " – ";
            parts.add(new Part(sources, before, LetterCase.AS_IS, 1 + random.nextInt(count), random.nextBoolean()));
        }
        return new Recipe(parts);
    }

    private static String text(Part part, Map<Source.Kind, String> item) {
        for (Source source : part.sources()) if (item.containsKey(source.kind())) return item.get(source.kind());
        return "";
    }

    private static Set<String> stems(String text) {
        Set<String> stems = new HashSet<>();
        for (Word word : ENGLISH.of(text)) if (!word.stop()) stems.add(word.stem());
        return stems;
    }
}
