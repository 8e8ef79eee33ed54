package lucidsweep.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The last part of a page's path, by which people and search engines call it.
 *
 * <pre>{@code Slug.of("https://bay.example/tours/Sea_cave.html").text()   // "Sea_cave" }</pre>
 *
 * @param text as it stands in the address, without the ending of a file; "" where the path has none
 */
public record Slug(String text) {

    private static final int MAX_EXTENSION = 5;

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
        int dot = last.lastIndexOf('.');
        boolean file = dot > 0 && last.length() - dot - 1 <= MAX_EXTENSION;
        return new Slug(file ? last.substring(0, dot) : last);
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
