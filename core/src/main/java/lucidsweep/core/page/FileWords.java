package lucidsweep.core.page;

import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;

/**
 * The words that the name of a file says.
 *
 * <pre>{@code FileWords.of("/img/Two-seater_kayak-1200x800.jpg?v=3")   // "two seater kayak" }</pre>
 */
public final class FileWords {

    /** What cameras and content systems name files by. */
    private static final Set<String> SAY_NOTHING =
            Set.of("img", "image", "dsc", "dscn", "dscf", "pxl", "photo", "pic", "final", "copy", "scaled", "thumb");

    private FileWords() {}

    /** The words of the last part of an address; "" where it has none, as of images that stand in the page itself. */
    public static String of(String address) {
        if (address.startsWith("data:")) return "";
        String path = address.replaceFirst("[?#].*", "");
        String name = path.substring(path.lastIndexOf('/') + 1).replaceFirst("\\.\\p{Alnum}{2,5}$", "");
        List<String> words = new ArrayList<>();
        for (String word : decoded(name).toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{M}\\p{N}'’]+")) {
            boolean says =
                    word.length() > 1 && word.codePoints().noneMatch(Character::isDigit) && !SAY_NOTHING.contains(word);
            if (says) words.add(word);
        }
        return String.join(" ", words);
    }

    private static String decoded(String name) {
        try {
            return URLDecoder.decode(name, StandardCharsets.UTF_8);
        } catch (IllegalArgumentException e) {
            return name;
        }
    }
}
