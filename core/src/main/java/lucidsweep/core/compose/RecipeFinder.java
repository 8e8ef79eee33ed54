package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import lucidsweep.core.text.TextKey;

/**
 * Works out the recipe that says most of some good texts as they are. Each text is taken apart into what its item has
 * ({@link WordedTitle}); the ways most of them are put together in are tried on all, and bettered step by step: the letter
 * case of a part, another source to fall back on, whether it may be shortened.
 */
public final class RecipeFinder {

    private static final int WAYS = 5;
    private static final int TRIED_ON = 60;
    private static final int MOST_SOURCES = 4;

    /** A recipe of fewer only repeats what it was made from. */
    private static final int FEWEST = 2;

    private static final double LEAST_SHARE = 0.1;

    private final List<Source> sources;
    private final Function<Recipe, RecipeComposer> composers;

    /**
     * A text that is good as it is.
     *
     * @param item what a recipe may take of its item
     */
    public record Example(String text, ItemSources item) {}

    /**
     * The recipe.
     *
     * @param made what it makes of each example, in their order
     * @param same how many of them come out as they are
     */
    public record Found(Recipe recipe, List<String> made, int same) {}

    /**
     * Prepares to look for recipes.
     *
     * @param sources that a recipe may take, those to be preferred first
     * @param composers under the limits that the texts have to meet
     */
    public RecipeFinder(List<Source> sources, Function<Recipe, RecipeComposer> composers) {
        this.sources = sources;
        this.composers = composers;
    }

    /** How well a recipe does: examples that come out as they are, then those that differ in case and punctuation only. */
    private record Score(int same, int alike) implements Comparable<Score> {

        @Override
        public int compareTo(Score other) {
            return same == other.same ? Integer.compare(alike, other.alike) : Integer.compare(same, other.same);
        }
    }

    private record Tried(Recipe recipe, Score score) {}

    /**
     * Finds it.
     *
     * @return empty where hardly any of the examples comes out as it is
     */
    public Optional<Found> find(List<Example> examples) {
        List<Example> some = spread(examples);
        return ways(some).stream()
                .map(parts -> bettered(new Recipe(parts), some))
                .max(Comparator.comparing(Tried::score))
                .map(best -> found(best.recipe, examples))
                .filter(found -> found.same >= Math.max(FEWEST, LEAST_SHARE * examples.size()));
    }

    /** Some of them, taken evenly. */
    private static List<Example> spread(List<Example> examples) {
        int every = 1 + (examples.size() - 1) / TRIED_ON;
        List<Example> some = new ArrayList<>();
        for (int i = 0; i < examples.size(); i += every) some.add(examples.get(i));
        return some;
    }

    private Found found(Recipe recipe, List<Example> examples) {
        RecipeComposer composer = composers.apply(recipe);
        List<String> made = examples.stream()
                .map(example -> composer.compose(example.item).text())
                .toList();
        int same = 0;
        for (int i = 0; i < made.size(); i++) if (made.get(i).equals(examples.get(i).text)) same++;
        return new Found(recipe, made, same);
    }

    /** The ways in which most examples are put together, the commonest first. */
    private List<List<Part>> ways(List<Example> examples) {
        List<Source> preferred = preferred(examples);
        Map<List<Part>, Integer> counts = new LinkedHashMap<>();
        for (Example example : examples) {
            WordedTitle worded = new WordedTitle(example.text, texts(example.item, preferred));
            List<Part> parts = worded.parts();
            boolean says = worded.explained() > 0 && parts.size() <= Recipe.MAX_PARTS;
            if (says) counts.merge(parts, 1, Integer::sum);
        }
        return counts.entrySet().stream()
                .sorted(Map.Entry.<List<Part>, Integer>comparingByValue().reversed())
                .limit(WAYS)
                .map(Map.Entry::getKey)
                .toList();
    }

    /** The sources by how much of the examples each of them has: one that has more of them is likelier meant where two say the same. */
    private List<Source> preferred(List<Example> examples) {
        Map<Source, Integer> letters = new LinkedHashMap<>();
        for (Source source : sources) {
            int sum = 0;
            for (Example example : examples) {
                String text = example.item.text(source).strip();
                if (text.isEmpty()) continue;
                sum += new WordedTitle(example.text, Map.of(source, text)).explained();
            }
            letters.put(source, sum);
        }
        return sources.stream()
                .filter(source -> letters.get(source) > 0)
                .sorted(Comparator.comparing((Source source) -> -letters.get(source)))
                .toList();
    }

    private static Map<Source, String> texts(ItemSources item, List<Source> sources) {
        Map<Source, String> texts = new LinkedHashMap<>();
        for (Source source : sources) {
            String text = item.text(source).strip();
            if (!text.isEmpty()) texts.put(source, text);
        }
        return texts;
    }

    /** The recipe after every change of a part that does better, until none does. */
    private Tried bettered(Recipe recipe, List<Example> examples) {
        Tried best = new Tried(recipe, score(recipe, examples));
        boolean better = true;
        while (better && best.score.same < examples.size()) {
            better = false;
            for (int at = 0; at < best.recipe.parts().size(); at++) {
                for (Part other : changes(best.recipe.parts().get(at))) {
                    Recipe changed = with(best.recipe, at, other);
                    Score score = score(changed, examples);
                    if (score.compareTo(best.score) <= 0) continue;
                    best = new Tried(changed, score);
                    better = true;
                }
            }
        }
        return best;
    }

    private List<Part> changes(Part part) {
        if (part.sources().get(0).kind() == Source.Kind.FIXED) return List.of();
        List<Part> changes = new ArrayList<>();
        for (LetterCase letterCase : LetterCase.values()) {
            if (letterCase != part.letterCase())
                changes.add(with(part, part.sources(), letterCase, part.shortenable()));
        }
        if (part.sources().size() < MOST_SOURCES) {
            for (Source source : sources) {
                if (part.sources().contains(source)) continue;
                List<Source> more = new ArrayList<>(part.sources());
                more.add(source);
                changes.add(with(part, List.copyOf(more), part.letterCase(), part.shortenable()));
            }
        }
        if (!part.isBrand()) changes.add(with(part, part.sources(), part.letterCase(), !part.shortenable()));
        return changes;
    }

    private static Part with(Part part, List<Source> sources, LetterCase letterCase, boolean shortenable) {
        return new Part(sources, part.before(), letterCase, part.rank(), shortenable, part.encloses(), part.onlyIf());
    }

    private static Recipe with(Recipe recipe, int at, Part part) {
        List<Part> parts = new ArrayList<>(recipe.parts());
        parts.set(at, part);
        return new Recipe(parts);
    }

    private Score score(Recipe recipe, List<Example> examples) {
        RecipeComposer composer = composers.apply(recipe);
        int same = 0;
        int alike = 0;
        for (Example example : examples) {
            String made = composer.compose(example.item).text();
            if (made.equals(example.text)) same++;
            else if (TextKey.key(made).equals(TextKey.key(example.text))) alike++;
        }
        return new Score(same, alike);
    }
}
