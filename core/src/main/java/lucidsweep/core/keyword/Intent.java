package lucidsweep.core.keyword;

import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * What a searcher wants, by rules over the words of a phrase.
 *
 * @param reason in words
 */
public record Intent(Kind kind, String reason) {

    /** The trade's four kinds. */
    public enum Kind {
        NAVIGATIONAL,
        TRANSACTIONAL,
        COMMERCIAL,
        INFORMATIONAL;

        public String code() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    private static final Set<String> QUESTIONS =
            Set.of("how", "what", "why", "when", "where", "who", "which", "can", "is", "are", "does", "do", "should");
    private static final Set<String> LEARNING = Set.of(
            "guide",
            "tips",
            "ideas",
            "meaning",
            "tutorial",
            "learn",
            "history",
            "diagram",
            "pattern",
            "patterns",
            "examples",
            "recipe",
            "map",
            "tables",
            "checklist",
            "technique",
            "techniques",
            "explained",
            "diy");
    private static final Set<String> COMPARING = Set.of(
            "best",
            "top",
            "vs",
            "versus",
            "review",
            "reviews",
            "compare",
            "comparison",
            "alternative",
            "alternatives",
            "recommended",
            "rated");
    private static final Set<String> ACTING = Set.of(
            "buy",
            "hire",
            "rent",
            "rental",
            "rentals",
            "book",
            "booking",
            "price",
            "prices",
            "cost",
            "costs",
            "cheap",
            "sale",
            "shop",
            "store",
            "order",
            "deal",
            "deals",
            "discount",
            "voucher",
            "vouchers",
            "tickets",
            "delivery",
            "repair",
            "course",
            "courses",
            "lesson",
            "lessons",
            "class",
            "classes",
            "kit",
            "kits",
            "tour",
            "tours",
            "service",
            "services",
            "quote");
    private static final List<String> NEARBY = List.of("near me", "nearby", "open now");

    /**
     * Works it out; the first rule that holds decides.
     *
     * @param brand whether the phrase holds the client's brand
     * @param place a place of the client's that the phrase names; "" for none
     */
    public static Intent of(String phrase, boolean brand, String place) {
        if (brand) return new Intent(Kind.NAVIGATIONAL, "it names the brand");
        String text = phrase.toLowerCase(Locale.ROOT).strip();
        List<String> words = List.of(text.split("[^\\p{L}\\p{N}]+"));
        if (QUESTIONS.contains(words.get(0)) && words.size() > 1) {
            return new Intent(Kind.INFORMATIONAL, "it begins with “" + words.get(0) + "”");
        }
        for (String word : words) {
            if (COMPARING.contains(word)) return new Intent(Kind.COMMERCIAL, "it holds “" + word + "”");
        }
        for (String word : words) {
            if (ACTING.contains(word)) return new Intent(Kind.TRANSACTIONAL, "it holds “" + word + "”");
        }
        for (String near : NEARBY) {
            if (text.contains(near)) return new Intent(Kind.TRANSACTIONAL, "it holds “" + near + "”");
        }
        for (String word : words) {
            if (LEARNING.contains(word)) return new Intent(Kind.INFORMATIONAL, "it holds “" + word + "”");
        }
        if (!place.isEmpty()) return new Intent(Kind.TRANSACTIONAL, "it names a place, " + place);
        return new Intent(
                words.size() >= 4 ? Kind.INFORMATIONAL : Kind.COMMERCIAL,
                words.size() >= 4
                        ? "a long phrase without a word of buying"
                        : "a short phrase without a word of buying or asking");
    }
}
