package lucidsweep.core.wording;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import lucidsweep.core.keyword.Words;

/**
 * How many searches a month a text covers: the sum over all known keywords whose every word stands in it, each counted once;
 * keywords that differ in the order or form of their words are one.
 *
 * <pre>{@code reach.of("Kayak hire in Gull Cove")   // "kayak hire" 900, "gull cove kayak hire" 210 }</pre>
 */
public final class Reach {

    private final Words language;
    private final List<Known> known = new ArrayList<>();
    private final Map<String, int[]> postings = new HashMap<>();

    /** A keyword with the stems of its words. */
    record Known(String phrase, double searches, Set<String> stems) {}

    /** @param searches a month, by phrase */
    public Reach(Words language, Map<String, Double> searches) {
        this.language = language;
        Map<Set<String>, Integer> places = new HashMap<>();
        for (String phrase : new TreeSet<>(searches.keySet())) {
            Set<String> stems = stems(phrase);
            if (stems.isEmpty() || searches.get(phrase) <= 0) continue;
            Known keyword = new Known(phrase, searches.get(phrase), stems);
            Integer same = places.putIfAbsent(stems, known.size());
            if (same == null) known.add(keyword);
            else if (known.get(same).searches < keyword.searches) known.set(same, keyword);
        }
        Map<String, List<Integer>> found = new HashMap<>();
        for (int i = 0; i < known.size(); i++) {
            for (String stem : known.get(i).stems)
                found.computeIfAbsent(stem, any -> new ArrayList<>()).add(i);
        }
        found.forEach((stem, list) ->
                postings.put(stem, list.stream().mapToInt(Integer::intValue).toArray()));
    }

    /**
     * What a text covers.
     *
     * @param searches a month
     * @param keywords how many known keywords
     */
    public record Covered(double searches, int keywords) {}

    /** What a text covers. */
    public Covered of(String text) {
        double searches = 0;
        int keywords = 0;
        for (Known each : coveredBy(stems(text))) {
            searches += each.searches;
            keywords++;
        }
        return new Covered(searches, keywords);
    }

    /** The keywords that some words cover. */
    private List<Known> coveredBy(Set<String> stems) {
        Map<Integer, Integer> seen = new HashMap<>();
        List<Known> covered = new ArrayList<>();
        for (String stem : stems) {
            for (int place : postings.getOrDefault(stem, new int[0])) {
                Known keyword = known.get(place);
                if (seen.merge(place, 1, Integer::sum) == keyword.stems.size()) covered.add(keyword);
            }
        }
        return covered;
    }

    /** Keywords of which a text lacks one word only, the most searched first. */
    List<Known> nearlyCovered(String text, int most) {
        Set<String> stems = stems(text);
        Map<Integer, Integer> seen = new HashMap<>();
        for (String stem : stems)
            for (int place : postings.getOrDefault(stem, new int[0])) seen.merge(place, 1, Integer::sum);
        List<Known> nearly = new ArrayList<>();
        seen.forEach((place, count) -> {
            Known keyword = known.get(place);
            if (count == keyword.stems.size() - 1 && count > 0) nearly.add(keyword);
        });
        nearly.sort((a, b) -> {
            int bySearches = Double.compare(b.searches, a.searches);
            return bySearches != 0 ? bySearches : a.phrase.compareTo(b.phrase);
        });
        return nearly.subList(0, Math.min(most, nearly.size()));
    }

    Words language() {
        return language;
    }

    Set<String> stems(String text) {
        return language.stems(text);
    }
}
