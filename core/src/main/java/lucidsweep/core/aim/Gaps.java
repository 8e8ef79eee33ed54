package lucidsweep.core.aim;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.Word;

/**
 * Gathers keywords without a home into pages that could serve them: those of one topic and one place that share a word
 * besides the place with the strongest of them.
 */
final class Gaps {

    private final List<Phrase> phrases;
    private final List<Long> volumes;
    private final PlacesNamed places;
    private final Map<String, List<Integer>> homeless = new TreeMap<>();
    private final Map<String, String> topics = new TreeMap<>();

    Gaps(List<Phrase> phrases, List<Long> volumes, PlacesNamed places) {
        this.phrases = phrases;
        this.volumes = volumes;
        this.places = places;
    }

    /** Keywords for one page, the most searched first. */
    record Group(String topic, List<Integer> keywords) {}

    void add(int keyword, String topic) {
        String key = topic + "\n" + places.in(phrases.get(keyword).text());
        homeless.computeIfAbsent(key, any -> new ArrayList<>()).add(keyword);
        topics.put(key, topic);
    }

    List<Group> groups() {
        List<Group> all = new ArrayList<>();
        homeless.forEach((key, some) -> {
            some.sort(Comparator.comparingLong((Integer keyword) -> -volumes.get(keyword))
                    .thenComparing(keyword -> phrases.get(keyword).text()));
            Set<String> place = stems(places.in(phrases.get(some.get(0)).text()), some.get(0));
            List<Group> own = new ArrayList<>();
            for (int keyword : some) join(own, topics.get(key), keyword, place);
            all.addAll(own);
        });
        return all;
    }

    private void join(List<Group> groups, String topic, int keyword, Set<String> place) {
        Set<String> words = without(place, keyword);
        for (Group group : groups) {
            Set<String> shared = without(place, group.keywords.get(0));
            boolean bothOnlyPlace = shared.isEmpty() && words.isEmpty();
            shared.retainAll(words);
            if (!shared.isEmpty() || bothOnlyPlace) {
                group.keywords.add(keyword);
                return;
            }
        }
        groups.add(new Group(topic, new ArrayList<>(List.of(keyword))));
    }

    private Set<String> without(Set<String> place, int keyword) {
        Set<String> words =
                phrases.get(keyword).words().stream().map(Word::stem).collect(Collectors.toCollection(HashSet::new));
        words.removeAll(place);
        return words;
    }

    /** The stems of those words of a phrase that name its place. */
    private Set<String> stems(String place, int keyword) {
        Set<String> named = Set.of(place.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
        return phrases.get(keyword).words().stream()
                .filter(word -> named.contains(word.text().toLowerCase(Locale.ROOT)))
                .map(Word::stem)
                .collect(Collectors.toSet());
    }
}
