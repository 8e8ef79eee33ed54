package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Function;
import java.util.stream.Stream;
import lucidsweep.core.edit.PlaceBrand;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RecipeFinderTest {

    private static final String BRAND = "Tarrin Bay Kayaks";
    private static final List<String> PLACES = List.of("Gull Cove", "Marsh Quay", "Tarrin Bay", "Old Slip");
    private static final List<String> THINGS = List.of(
            "sea kayak", "canoe", "paddle", "dry bag", "cedar kit", "rolling lesson", "dawn tour", "family trip");
    private static final List<String> HOW =
            List.of("for beginners", "by the hour", "with a guide", "in two parts", "at low tide", "");
    private static final List<Source> SOURCES = Stream.of(
                    Source.Kind.KEYWORD,
                    Source.Kind.H1,
                    Source.Kind.PLACE,
                    Source.Kind.SECTION,
                    Source.Kind.PRICE,
                    Source.Kind.BRAND)
            .map(kind -> new Source(kind, ""))
            .toList();

    private static final Function<Recipe, RecipeComposer> COMPOSERS = recipe -> new RecipeComposer(
            recipe,
            Standard.ofPages().title(),
            Words.in("en"),
            Names.of(List.of(BRAND, "Gull Cove", "Marsh Quay", "Tarrin Bay", "Old Slip")),
            new PlaceBrand(List.of(BRAND), "", PlaceBrand.Place.NONE)::apply);

    private static Part part(
            String before, LetterCase letterCase, int rank, boolean shortenable, Source.Kind... kinds) {
        return new Part(
                Stream.of(kinds).map(kind -> new Source(kind, "")).toList(), before, letterCase, rank, shortenable);
    }

    private static Part fixed(String before, String text, int rank) {
        return new Part(List.of(new Source(Source.Kind.FIXED, text)), before, LetterCase.AS_IS, rank, false);
    }

    static Stream<Recipe> recipesOfPeople() {
        Part brand = part(" | ", LetterCase.AS_IS, 8, false, Source.Kind.BRAND);
        return Stream.of(
                        List.of(part("", LetterCase.AS_IS, 1, false, Source.Kind.H1), brand),
                        List.of(
                                part("", LetterCase.SENTENCE, 1, false, Source.Kind.KEYWORD),
                                part(" in ", LetterCase.AS_IS, 2, false, Source.Kind.PLACE),
                                brand),
                        List.of(
                                part("", LetterCase.TITLE, 1, false, Source.Kind.KEYWORD, Source.Kind.H1),
                                part(" – from ", LetterCase.AS_IS, 2, false, Source.Kind.PRICE)),
                        List.of(
                                fixed("", "Hire", 1),
                                part(": ", LetterCase.LOWER, 2, false, Source.Kind.KEYWORD),
                                part(", ", LetterCase.AS_IS, 3, false, Source.Kind.PLACE),
                                fixed(" – ", "book today", 4)),
                        List.of(
                                part("", LetterCase.AS_IS, 1, true, Source.Kind.H1),
                                part(" · ", LetterCase.AS_IS, 2, false, Source.Kind.SECTION),
                                brand))
                .map(Recipe::new);
    }

    /** What a person made by a recipe in mind is found, and the recipe goes for titles that it was not worked out from. */
    @ParameterizedTest
    @MethodSource("recipesOfPeople")
    void findsWhatAPersonHadInMind(Recipe inMind) {
        Random random = new Random(inMind.hashCode());
        List<RecipeFinder.Example> known = examples(inMind, random, 40);
        List<RecipeFinder.Example> others = examples(inMind, random, 200);

        RecipeFinder.Found found =
                new RecipeFinder(SOURCES, COMPOSERS).find(known).orElseThrow();

        assertThat(found.same()).as(found.recipe().toString()).isGreaterThanOrEqualTo(36);
        assertThat(found.made()).hasSize(40);
        RecipeComposer composer = COMPOSERS.apply(found.recipe());
        long same = others.stream()
                .filter(each -> composer.compose(each.item()).text().equals(each.text()))
                .count();
        assertThat(same).as("of 200 it had not seen, by " + found.recipe()).isGreaterThanOrEqualTo(180);
    }

    @Test
    void findsNothingInWordsThatNoItemHas() {
        ItemSources item = item(new Random(1));
        List<RecipeFinder.Example> examples = List.of(
                new RecipeFinder.Example("Read all about it", item), new RecipeFinder.Example("Quite another", item));
        assertThat(new RecipeFinder(SOURCES, COMPOSERS).find(examples)).isEmpty();
        assertThat(new RecipeFinder(SOURCES, COMPOSERS).find(List.of())).isEmpty();
    }

    private static List<RecipeFinder.Example> examples(Recipe recipe, Random random, int count) {
        List<RecipeFinder.Example> examples = new ArrayList<>();
        while (examples.size() < count) {
            ItemSources item = item(random);
            String text = COMPOSERS.apply(recipe).compose(item).text();
            if (!text.isEmpty()) examples.add(new RecipeFinder.Example(text, item));
        }
        return examples;
    }

    private static ItemSources item(Random random) {
        Map<Source.Kind, String> item = new EnumMap<>(Source.Kind.class);
        String thing = any(random, THINGS);
        if (random.nextInt(5) > 0) item.put(Source.Kind.KEYWORD, thing + " hire");
        item.put(Source.Kind.H1, ("Our " + thing + "s " + any(random, HOW)).strip());
        if (random.nextInt(3) > 0) item.put(Source.Kind.PLACE, any(random, PLACES));
        item.put(Source.Kind.SECTION, any(random, List.of("tours", "shop", "workshop")));
        item.put(Source.Kind.PRICE, "£" + (10 + random.nextInt(90)));
        item.put(Source.Kind.BRAND, BRAND);
        return KnownTexts.of(item);
    }

    private static String any(Random random, List<String> of) {
        return of.get(random.nextInt(of.size()));
    }
}
