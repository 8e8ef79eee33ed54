package lucidsweep.core.edit;

import java.util.Comparator;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.text.TextKey;

/**
 * Puts the brand to the end or the start of a text, or takes it away. Only where it stands apart, behind or before a separator,
 * is it moved; in the middle of a sentence it stays, and is not added a second time.
 *
 * <pre>{@code "Tarrin Bay: kayak hire"   // LAST, " | ": "Kayak hire | Tarrin Bay" }</pre>
 *
 * @param brands its spellings, the one that is written first
 * @param separator what stands between it and the rest, such as " | "
 */
public record PlaceBrand(List<String> brands, String separator, Place place) implements BulkEdit {

    private static final String APART = "\\s*[|–—:·•»-]+\\s*";

    public enum Place {
        FIRST,
        LAST,
        NONE
    }

    public PlaceBrand {
        if (brands.isEmpty()) throw new IllegalArgumentException("the client has no brand to be placed");
    }

    @Override
    public String apply(String text) {
        if (place == Place.FIRST && text.startsWith(brands.get(0) + separator)) return text;
        String rest = without(text);
        if (rest.isEmpty()) return text;
        if (place == Place.NONE || names(rest)) return rest;
        String brand = brands.get(0);
        return place == Place.FIRST ? brand + separator + rest : rest + separator + brand;
    }

    /** The text without a brand that stands apart at its start or end; "" where it is nothing else. */
    private String without(String text) {
        String spellings = brands.stream()
                .sorted(Comparator.comparingInt(String::length).reversed())
                .map(Pattern::quote)
                .collect(Collectors.joining("|", "(?:", ")"));
        int flags = Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE;
        String rest = text.strip();
        Matcher first = Pattern.compile("^" + spellings + APART, flags).matcher(rest);
        if (first.find()) rest = new RemoveBeginning(first.group()).apply(rest);
        Matcher last = Pattern.compile(APART + spellings + "$", flags).matcher(rest);
        if (last.find()) rest = rest.substring(0, last.start()).strip();
        return brands.stream().anyMatch(brand -> TextKey.key(brand).equals(TextKey.key(text))) ? "" : rest;
    }

    private boolean names(String text) {
        String key = " " + TextKey.key(text) + " ";
        return brands.stream().anyMatch(brand -> key.contains(" " + TextKey.key(brand) + " "));
    }
}
