package lucidsweep.core.acceptance;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Words;

/**
 * How often result pages show our wording, and what the texts that they replace have in common.
 *
 * @param all of everything that was looked at last
 * @param byField, byLength, byTemplate, bySection, byMonth the same in parts, by month of all looks; each part names what it is of
 * @param replaced by field: what texts with words of the search engine's own have more often than those that are shown
 */
public record Acceptance(
        ShownShare all,
        List<ShownShare> byField,
        List<ShownShare> byLength,
        List<ShownShare> byTemplate,
        List<ShownShare> bySection,
        List<ShownShare> byMonth,
        Map<Field, List<ReplacedTraits.ReplacedTrait>> replaced) {

    /** Parts with fewer are shown together. */
    private static final int FEWEST = 3;

    private static final int MOST_PARTS = 12;

    /** How many results showed what. */
    public record ShownShare(String what, int ours, int cut, int itsOwn) {

        public int results() {
            return ours + cut + itsOwn;
        }

        /** The share of results with our wording, whole or cut, from 0 to 1; 0 for none. */
        public double accepted() {
            return results() == 0 ? 0 : (ours + cut) / (double) results();
        }
    }

    /** @param all one for each result that was looked at; earlier looks count by month only */
    public static Acceptance of(Collection<ShownText> all, Words language, BrandNames brand) {
        List<ShownText> texts = all.stream().filter(ShownText::latest).toList();
        Map<Field, List<ReplacedTraits.ReplacedTrait>> replaced = new TreeMap<>();
        for (Field field : List.of(Field.TITLE, Field.DESCRIPTION)) {
            List<ShownText> some =
                    texts.stream().filter(text -> text.field() == field).toList();
            List<ReplacedTraits.ReplacedTrait> traits = ReplacedTraits.of(some, language, brand);
            if (!traits.isEmpty()) replaced.put(field, traits);
        }
        return new Acceptance(
                share("all", texts),
                parts(texts, text -> text.field().code()),
                parts(texts, Acceptance::length),
                largest(parts(texts, text -> TextTemplate.of(text.ours()))),
                largest(parts(texts, ShownText::section)),
                parts(all, ShownText::month),
                replaced);
    }

    private static ShownShare share(String what, Collection<ShownText> texts) {
        int[] counts = new int[ShownWording.values().length];
        for (ShownText text : texts) counts[text.wording().ordinal()]++;
        return new ShownShare(what, counts[0], counts[1], counts[2]);
    }

    private static List<ShownShare> parts(Collection<ShownText> texts, Function<ShownText, String> part) {
        Map<String, List<ShownText>> parts = new TreeMap<>();
        for (ShownText text : texts)
            parts.computeIfAbsent(part.apply(text), any -> new ArrayList<>()).add(text);
        return parts.entrySet().stream()
                .map(each -> share(each.getKey(), each.getValue()))
                .toList();
    }

    /** The largest parts, and all others as one. */
    private static List<ShownShare> largest(List<ShownShare> parts) {
        List<ShownShare> sorted = parts.stream()
                .sorted(Comparator.comparingInt(ShownShare::results).reversed().thenComparing(ShownShare::what))
                .toList();
        List<ShownShare> kept = new ArrayList<>();
        ShownShare others = new ShownShare("others", 0, 0, 0);
        for (ShownShare share : sorted) {
            if (kept.size() < MOST_PARTS && share.results() >= FEWEST) kept.add(share);
            else {
                others = new ShownShare(
                        "others", others.ours + share.ours, others.cut + share.cut, others.itsOwn + share.itsOwn);
            }
        }
        if (others.results() > 0) kept.add(others);
        return kept;
    }

    private static String length(ShownText text) {
        String field = text.field().label();
        if (text.limitPx() <= 0) return field + " without a limit";
        double part = text.px() / text.limitPx();
        return field + (part <= 0.5 ? " up to half the limit" : part <= 1 ? " up to the limit" : " over the limit");
    }
}
