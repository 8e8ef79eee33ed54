package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/**
 * Tag sets for many items of a shop or channel together. An item may carry a tag whose every word stands in its texts, and those
 * that it carries already. A tag is worth its searches a month times how much it is about the item; each further item with
 * the same tag adds less, so that not all carry the same ones.
 */
public final class TagPlan {

    /** What a further item with the same tag adds, as a share of what the one before it added. */
    private static final double AGAIN = 0.8;

    private static final int ROUNDS = 2;

    /** A tag that nobody is known to search for is worth next to nothing, but more than an empty place. */
    private static final double UNKNOWN = 0.01;

    /** How much a word of an item tells what it is about, by where it stands. */
    private static final double IN_TITLE = 1;

    private static final double IN_TAGS = 0.8;
    private static final double IN_REST = 0.5;

    private final Words language;
    private final List<Known> known = new ArrayList<>();
    private final Map<String, int[]> postings = new HashMap<>();
    private final Map<Set<String>, Integer> byStems = new HashMap<>();
    private final List<Asked> items = new ArrayList<>();

    /** How many other items carry each known tag. */
    private final int[] used;

    /** Which known tags any item carries now. */
    private final boolean[] carried;

    /** An item as the plan needs it, without its texts: those of 100,000 would not fit into memory. */
    private record Asked(long id, List<Place> places, Standard.TagLimits limits) {}

    private final List<Set<String>> brands = new ArrayList<>();
    private final Set<String> forbidden = new HashSet<>();

    private final Map<String, Set<String>> stemsOfTags = new HashMap<>();

    /** A tag that is known, with the stems of its words. */
    private record Known(String tag, int chars, double searches, boolean brand, Set<String> stems) {}

    /**
     * An item.
     *
     * @param title with its keyword and section
     * @param tags that it carries
     * @param rest what else is said of it, such as its description
     */
    public record Item(long id, String title, List<String> tags, String rest, Standard.TagLimits limits) {}

    /**
     * What was planned.
     *
     * @param tags by item
     * @param before, after the searches a month of all known tags that any item carries, each counted once
     * @param gap by how much the best sets could be better at the most, as a share
     * @param exact for how many items the set is the best there is
     */
    public record Planned(Map<Long, List<String>> tags, double before, double after, double gap, int exact) {}

    /**
     * Begins a plan.
     *
     * @param searches a month, by phrase
     * @param brandNames the client's names: a phrase with one is a brand tag
     * @param forbiddenWords no tag contains one of them
     */
    public TagPlan(
            Words language,
            Map<String, Double> searches,
            Collection<String> brandNames,
            Collection<String> forbiddenWords) {
        this.language = language;
        brandNames.forEach(name -> brands.add(language.stems(name)));
        brands.removeIf(Set::isEmpty);
        forbiddenWords.forEach(word -> forbidden.addAll(language.stems(word)));
        Map<String, List<Integer>> found = new HashMap<>();
        for (String phrase : new TreeSet<>(searches.keySet())) add(phrase, searches.get(phrase), found);
        for (String name : new TreeSet<>(brandNames)) if (!searches.containsKey(name)) add(name, 0, found);
        found.forEach((stem, list) ->
                postings.put(stem, list.stream().mapToInt(Integer::intValue).toArray()));
        used = new int[known.size()];
        carried = new boolean[known.size()];
    }

    /** Of phrases that say the same, the one that is searched most stands for all. */
    private void add(String phrase, double searches, Map<String, List<Integer>> found) {
        Set<String> stems = stemsOfTag(phrase);
        if (stems.isEmpty() || !Collections.disjoint(stems, forbidden)) return;
        boolean brand = brands.stream().anyMatch(stems::containsAll);
        Known tag = new Known(phrase, Graphemes.count(phrase), searches, brand, stems);
        Integer same = byStems.get(stems);
        if (same != null) {
            if (known.get(same).searches < searches) known.set(same, tag);
            return;
        }
        byStems.put(stems, known.size());
        for (String stem : stems)
            found.computeIfAbsent(stem, any -> new ArrayList<>()).add(known.size());
        known.add(tag);
    }

    /** Notes the tags of an item that is not planned, since others may have what it has. */
    public void addUsed(List<String> tags) {
        for (String tag : tags) {
            count(tag, used, 1);
            carry(tag, carried);
        }
    }

    /** Adds an item; they are planned in the order in which they come. */
    public void add(Item item) {
        items.add(new Asked(item.id, places(item), item.limits));
        for (String tag : item.tags) carry(tag, carried);
    }

    /**
     * Plans all items.
     *
     * @param brandShare how much of the places may go to brand tags, such as 0.33
     */
    public Planned planned(double brandShare) {
        int[] uses = used.clone();
        Map<Long, List<TagCandidate>> chosen = new LinkedHashMap<>();
        double value = 0;
        double bound = 0;
        int exact = 0;
        for (int round = 0; round < ROUNDS; round++) {
            value = 0;
            bound = 0;
            exact = 0;
            for (Asked item : items) {
                for (TagCandidate tag : chosen.getOrDefault(item.id, List.of())) count(tag.tag(), uses, -1);
                int brands = (int) Math.round(brandShare * item.limits.max());
                TagChooser.Chosen set = new TagChooser(item.limits, brands).choose(candidates(item.places, uses));
                for (TagCandidate tag : set.tags()) count(tag.tag(), uses, 1);
                chosen.put(item.id, set.tags());
                value += set.value();
                bound += set.bound();
                if (set.gap() == 0) exact++;
            }
        }
        Map<Long, List<String>> tags = new LinkedHashMap<>();
        chosen.forEach(
                (id, set) -> tags.put(id, set.stream().map(TagCandidate::tag).toList()));
        boolean[] then = new boolean[known.size()];
        for (int tag = 0; tag < then.length; tag++) then[tag] = used[tag] > 0;
        tags.values().forEach(set -> set.forEach(tag -> carry(tag, then)));
        return new Planned(tags, covered(carried), covered(then), bound <= 0 ? 0 : (bound - value) / bound, exact);
    }

    /** A known tag, or one of the item's own that is not known, and how much it is about the item. */
    private record Place(int known, String own, double relevance) {}

    private List<Place> places(Item item) {
        Map<String, Double> weights = new HashMap<>();
        weigh(item.rest, IN_REST, weights);
        for (String tag : item.tags) weigh(tag, IN_TAGS, weights);
        weigh(item.title, IN_TITLE, weights);
        // The client's name is about every item of it.
        for (Set<String> brand : brands) for (String stem : brand) weights.merge(stem, IN_REST, Math::max);
        int[] seen = new int[known.size()];
        List<Integer> about = new ArrayList<>();
        for (String stem : weights.keySet()) {
            for (int tag : postings.getOrDefault(stem, new int[0])) {
                if (++seen[tag] == known.get(tag).stems.size()) about.add(tag);
            }
        }
        List<Place> places = new ArrayList<>();
        for (int tag : about) places.add(new Place(tag, null, relevance(known.get(tag).stems, weights)));
        Set<Set<String>> own = new HashSet<>();
        for (String tag : item.tags) {
            Set<String> stems = stemsOfTag(tag);
            boolean allowed = !stems.isEmpty() && Collections.disjoint(stems, forbidden);
            if (allowed && !byStems.containsKey(stems) && own.add(stems))
                places.add(new Place(-1, tag, relevance(stems, weights)));
        }
        return places;
    }

    private void weigh(String text, double weight, Map<String, Double> weights) {
        for (String stem : language.stems(text)) weights.merge(stem, weight, Math::max);
    }

    private static double relevance(Set<String> stems, Map<String, Double> weights) {
        double sum = 0;
        for (String stem : stems) sum += weights.getOrDefault(stem, 0.0);
        return sum / stems.size();
    }

    private List<TagCandidate> candidates(List<Place> places, int[] uses) {
        List<TagCandidate> candidates = new ArrayList<>(places.size());
        for (Place place : places) {
            if (place.known < 0) {
                candidates.add(
                        new TagCandidate(place.own, Graphemes.count(place.own), UNKNOWN * place.relevance, false));
                continue;
            }
            Known tag = known.get(place.known);
            double value = (tag.searches + UNKNOWN) * place.relevance * Math.pow(AGAIN, uses[place.known]);
            candidates.add(new TagCandidate(tag.tag, tag.chars, value, tag.brand));
        }
        return candidates;
    }

    private void count(String tag, int[] uses, int by) {
        Integer known = byStems.get(stemsOfTag(tag));
        if (known != null) uses[known] += by;
    }

    private void carry(String tag, boolean[] carried) {
        Integer place = byStems.get(stemsOfTag(tag));
        if (place != null) carried[place] = true;
    }

    private double covered(boolean[] carried) {
        double covered = 0;
        for (int i = 0; i < carried.length; i++) if (carried[i]) covered += known.get(i).searches;
        return covered;
    }

    private Set<String> stemsOfTag(String tag) {
        return stemsOfTags.computeIfAbsent(tag, language::stems);
    }
}
