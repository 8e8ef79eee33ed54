package lucidsweep.core.page;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The last part of a page's path, by which people and search engines call it.
 *
 * <pre>{@code Slug.of("https://bay.example/tours/Sea_cave.html").text()   // "Sea_cave" }</pre>
 *
 * @param text as people read it, without the ending of a file: "café" of "caf%C3%A9.html"; "" where the path has none
 */
public record Slug(String text) {

    private static final int[] NOWHERE = {};
    private static final Pattern SUFFIX = Pattern.compile("\\.[A-Za-z0-9]{2,5}$");

    /** The slug of an address. */
    public static Slug of(String address) {
        int[] at = place(address);
        return at.length == 0
                ? new Slug("")
                : new Slug(
                        decoded(SUFFIX.matcher(address.substring(at[0], at[1])).replaceFirst("")));
    }

    /** Where the last part of the path begins and ends; empty where there is none. */
    private static int[] place(String address) {
        int scheme = address.indexOf("://");
        int path = address.indexOf('/', scheme < 0 ? 0 : scheme + 3);
        if (path < 0) return NOWHERE;
        int end = address.length();
        for (char c : new char[] {'?', '#', ';'}) {
            int at = address.indexOf(c, path);
            if (at >= 0) end = Math.min(end, at);
        }
        while (end > path && address.charAt(end - 1) == '/') end--;
        if (end <= path + 1) return NOWHERE;
        return new int[] {Math.min(end, address.lastIndexOf('/', end - 1) + 1), end};
    }

    /**
     * An address with another slug; the ending of a file and what follows the path stay.
     *
     * <pre>{@code Slug.replaced("https://bay.example/tours/Sea_cave.html?a=1", "sea-cave")   // ".../tours/sea-cave.html?a=1" }</pre>
     *
     * @return the same address where it has no slug
     */
    public static String replaced(String address, String slug) {
        int[] at = place(address);
        if (at.length == 0) return address;
        Matcher suffix = SUFFIX.matcher(address.substring(at[0], at[1]));
        int end = suffix.find() ? at[0] + suffix.start() : at[1];
        return address.substring(0, at[0]) + slug + address.substring(end);
    }

    /** A plus stands for itself in a path; what cannot be decoded is left as it is. */
    private static String decoded(String part) {
        if (part.indexOf('%') < 0) return part;
        try {
            return URLDecoder.decode(part.replace("+", "%2B"), StandardCharsets.UTF_8);
        } catch (IllegalArgumentException notEncoded) {
            return part;
        }
    }

    public boolean isEmpty() {
        return text.isEmpty();
    }

    /** Its words in small letters. */
    public List<String> words() {
        List<String> words = new ArrayList<>();
        int start = 0;
        for (int i = 0; i <= text.length(); i++) {
            if (i < text.length() && Character.isLetterOrDigit(text.charAt(i))) continue;
            if (i > start) words.add(text.substring(start, i).toLowerCase(Locale.ROOT));
            start = i + 1;
        }
        return words;
    }
}
