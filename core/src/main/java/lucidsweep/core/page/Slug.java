package lucidsweep.core.page;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * The last part of a page's path, by which people and search engines call it.
 *
 * <pre>{@code Slug.of("https://bay.example/tours/Sea_cave.html").text()   // "Sea_cave" }</pre>
 *
 * @param text as people read it, without the ending of a file: "café" of "caf%C3%A9.html"; "" where the path has none
 */
public record Slug(String text) {

    private static final Pattern SUFFIX = Pattern.compile("\\.[A-Za-z0-9]{2,5}$");

    /** The slug of an address. */
    public static Slug of(String address) {
        int scheme = address.indexOf("://");
        int path = address.indexOf('/', scheme < 0 ? 0 : scheme + 3);
        if (path < 0) return new Slug("");
        int end = address.length();
        for (char c : new char[] {'?', '#', ';'}) {
            int at = address.indexOf(c, path);
            if (at >= 0) end = Math.min(end, at);
        }
        while (end > path && address.charAt(end - 1) == '/') end--;
        if (end <= path + 1) return new Slug("");
        String last = address.substring(Math.min(end, address.lastIndexOf('/', end - 1) + 1), end);
        return new Slug(decoded(SUFFIX.matcher(last).replaceFirst("")));
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
