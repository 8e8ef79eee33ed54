package lucidsweep.core.keyword;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Every tag of a property's items: how many use it, what is searched of it, its near-twins and the longer phrases that hold it. */
public final class TagSurvey {

    private static final int MAX_LONGER = 8;

    private final Words language;
    private final Map<String, Integer> uses = new TreeMap<>();
    private final Map<String, Phrase> phrases = new LinkedHashMap<>();

    public TagSurvey(Words language) {
        this.language = language;
    }

    /**
     * A tag.
     *
     * @param items how many use it
     * @param searches a month; null where no list knows it
     * @param oneWord whether it is a single word
     * @param twins other tags in use that say the same in another form of words ("kayak gifts")
     * @param longer known phrases that hold its words and more, the most searched first
     */
    public record Tag(
            String tag, int items, @Nullable Long searches, boolean oneWord, List<String> twins, List<Longer> longer) {}

    /**
     * A longer phrase.
     *
     * @param searches a month; null where no list knows it
     * @param shown how often items were shown for it a month; 0 where that is not known
     */
    public record Longer(String phrase, @Nullable Long searches, double shown) {

        private double max() {
            return Math.max(searches == null ? 0 : searches, shown);
        }
    }

    /** Adds the tags of an item; one that stands twice counts once. */
    public void item(List<String> tags) {
        tags.stream().distinct().forEach(tag -> uses.merge(tag, 1, Integer::sum));
    }

    /**
     * The tags, those in most use first.
     *
     * @param keywords phrases with their searches a month; null where not known
     * @param queries phrases with how often items were shown for them a month
     */
    public List<Tag> tags(Map<String, Long> keywords, Map<String, Double> queries) {
        Map<String, Long> searches = new HashMap<>();
        Map<String, List<Longer>> holding = new HashMap<>();
        Map<String, Longer> known = new TreeMap<>();
        queries.forEach((text, shown) -> known.put(phrase(text).key(), new Longer(text, null, shown)));
        keywords.forEach((text, volume) -> {
            String key = phrase(text).key();
            searches.merge(key, volume == null ? -1 : volume, Math::max);
            known.merge(key, new Longer(text, volume, 0), (a, b) -> new Longer(text, volume, a.shown));
        });
        known.values()
                .forEach(each -> phrase(each.phrase).words().stream()
                        .map(Word::stem)
                        .distinct()
                        .forEach(stem -> holding.computeIfAbsent(stem, any -> new ArrayList<>())
                                .add(each)));
        Map<String, List<String>> sameKey = new HashMap<>();
        uses.keySet()
                .forEach(tag -> sameKey.computeIfAbsent(phrase(tag).key(), any -> new ArrayList<>())
                        .add(tag));
        List<Tag> tags = new ArrayList<>();
        uses.forEach((tag, items) -> {
            Phrase phrase = phrase(tag);
            Long volume = searches.get(phrase.key());
            List<String> twins = sameKey.get(phrase.key()).stream()
                    .filter(other -> !other.equals(tag))
                    .toList();
            tags.add(new Tag(
                    tag,
                    items,
                    volume == null || volume < 0 ? null : volume,
                    phrase.words().size() == 1,
                    twins,
                    longer(phrase, holding)));
        });
        tags.sort(Comparator.comparingInt((Tag tag) -> -tag.items).thenComparing(Tag::tag));
        return tags;
    }

    private List<Longer> longer(Phrase tag, Map<String, List<Longer>> holding) {
        List<String> stems = tag.words().stream().map(Word::stem).distinct().toList();
        if (stems.isEmpty()) return List.of();
        return holding.getOrDefault(stems.get(0), List.of()).stream()
                .filter(each -> {
                    List<String> words =
                            phrase(each.phrase).words().stream().map(Word::stem).toList();
                    return words.size() > tag.words().size() && words.containsAll(stems);
                })
                .sorted(Comparator.comparingDouble((Longer each) -> -each.max()).thenComparing(Longer::phrase))
                .limit(MAX_LONGER)
                .toList();
    }

    private Phrase phrase(String text) {
        return phrases.computeIfAbsent(text, any -> Phrase.of(text, language));
    }
}
