package lucidsweep.core.keyword;

import java.util.List;
import java.util.Locale;

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

    /**
     * Works it out; the first rule that holds decides.
     *
     * @param language whose words tell
     * @param brand whether the phrase holds the client's brand
     * @param place a place of the client's that the phrase names; "" for none
     */
    public static Intent of(String phrase, Language language, boolean brand, String place) {
        if (brand) return new Intent(Kind.NAVIGATIONAL, "it names the brand");
        String text = phrase.toLowerCase(Locale.ROOT).strip();
        List<String> words = List.of(text.split("[^\\p{L}\\p{N}]+"));
        if (language.questions().contains(words.get(0)) && words.size() > 1) {
            return new Intent(Kind.INFORMATIONAL, "it begins with “" + words.get(0) + "”");
        }
        for (String word : words) {
            if (language.comparing().contains(word)) return new Intent(Kind.COMMERCIAL, "it contains “" + word + "”");
        }
        for (String word : words) {
            if (language.acting().contains(word)) return new Intent(Kind.TRANSACTIONAL, "it contains “" + word + "”");
        }
        for (String near : language.nearby()) {
            if (text.contains(near)) return new Intent(Kind.TRANSACTIONAL, "it contains “" + near + "”");
        }
        for (String word : words) {
            if (language.learning().contains(word)) return new Intent(Kind.INFORMATIONAL, "it contains “" + word + "”");
        }
        if (!place.isEmpty()) return new Intent(Kind.TRANSACTIONAL, "it names a place, " + place);
        return new Intent(
                words.size() >= 4 ? Kind.INFORMATIONAL : Kind.COMMERCIAL,
                words.size() >= 4
                        ? "a long phrase without a word of buying"
                        : "a short phrase without a word of buying or asking");
    }
}
