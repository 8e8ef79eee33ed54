package lucidsweep.core.edit;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.text.TextKey;

/**
 * Puts the brand to the end or the start of a text, or takes it away. Only where it stands apart, behind or before a separator,
 * is it moved; in the middle of a sentence it stays, and is not added a second time.
 *
 * <pre>{@code "Tarrin Bay: kayak hire"   // LAST, " | ": "Kayak hire | Tarrin Bay" }</pre>
 */
public final class PlaceBrand implements BulkEdit {

    private static final String APART = "\\s*[|–—:·•»-]+\\s*";
    private static final int ANY_CASE = Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE;

    private final String brand;
    private final String separator;
    private final Place place;
    private final List<String> brands;
    private final Set<String> keys;
    private final int longest;
    private final Pattern atStart;
    private final Pattern atEnd;

    public enum Place {
        FIRST,
        LAST,
        NONE
    }

    /**
     * Prepares to place it.
     *
     * @param brands its spellings, the one that is written first
     * @param separator what stands between it and the rest, such as " | "
     */
    public PlaceBrand(List<String> brands, String separator, Place place) {
        if (brands.isEmpty()) throw new IllegalArgumentException("the client has no brand to be placed");
        this.brands = List.copyOf(brands);
        brand = brands.get(0);
        this.separator = separator;
        this.place = place;
        keys = brands.stream().map(TextKey::key).collect(Collectors.toSet());
        longest = brands.stream().mapToInt(String::length).max().orElse(0);
        String spellings = brands.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .map(Pattern::quote)
                .collect(Collectors.joining("|", "(?:", ")"));
        atStart = Pattern.compile("^" + spellings + APART, ANY_CASE);
        atEnd = Pattern.compile(APART + spellings + "$", ANY_CASE);
    }

    @Override
    public String apply(String text) {
        if (place == Place.FIRST && text.startsWith(brand + separator)) return text;
        String rest = without(text);
        if (rest.isEmpty()) return text;
        if (place == Place.NONE || names(rest)) return rest;
        return place == Place.FIRST ? brand + separator + rest : rest + separator + brand;
    }

    /** The text without a brand that stands apart at its start or end; "" where it is nothing else. */
    private String without(String text) {
        // Punctuation may make it longer than the brand, but hardly twice as long.
        if (text.length() <= 2 * longest && keys.contains(TextKey.key(text))) return "";
        String rest = text.strip();
        Matcher first = atStart.matcher(rest);
        if (first.find()) rest = new RemoveBeginning(first.group()).apply(rest);
        if (!endsInBrand(rest)) return rest;
        Matcher last = atEnd.matcher(rest);
        return last.find() ? rest.substring(0, last.start()).strip() : rest;
    }

    /** Told without the pattern, which would try every place of the text. */
    private boolean endsInBrand(String text) {
        for (String each : brands) {
            if (text.regionMatches(true, text.length() - each.length(), each, 0, each.length())) return true;
        }
        return false;
    }

    private boolean names(String text) {
        String key = " " + TextKey.key(text) + " ";
        return keys.stream().anyMatch(each -> key.contains(" " + each + " "));
    }

    @Override
    public String toString() {
        return "brand " + brand + " placed " + place;
    }
}
