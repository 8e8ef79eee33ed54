package lucidsweep.core.page;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The last part of a page's path, by which people and search engines call it.
 *
 * <pre>{@code Slug.of("https://bay.example/tours/Sea_cave.html").text()   // "Sea_cave" }</pre>
 *
 * @param text as people read it, without the ending of a file: "café" of "caf%C3%A9.html"; "" where the path has none
 */
public record Slug(String text) {

    private static final int[] NOWHERE = {};
    private static final int SHORTEST_SUFFIX = 2;
    private static final int LONGEST_SUFFIX = 5;

    /** The slug of an address. */
    public static Slug of(String address) {
        int[] at = place(address);
        return new Slug(at.length == 0 ? "" : decoded(address.substring(at[0], withoutSuffix(address, at))));
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
        return address.substring(0, at[0]) + slug + address.substring(withoutSuffix(address, at));
    }

    /** Where the last part of a path ends without the ending of a file, such as ".html". */
    private static int withoutSuffix(String address, int[] at) {
        int dot = address.lastIndexOf('.', at[1] - 1);
        int length = at[1] - dot - 1;
        if (dot < at[0] || length < SHORTEST_SUFFIX || length > LONGEST_SUFFIX) return at[1];
        for (int i = dot + 1; i < at[1]; i++) {
            char c = address.charAt(i);
            if (c >= 0x80 || !Character.isLetterOrDigit(c)) return at[1];
        }
        return dot;
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
