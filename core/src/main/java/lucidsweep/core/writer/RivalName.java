package lucidsweep.core.writer;

import java.util.Locale;
import java.util.Optional;

/**
 * The name of whoever ranks for a keyword, as the ending of the title that its host confirms.
 *
 * <pre>{@code RivalName.of("Sea kayaks for a day | Brack Boats", "www.brackboats.example")   // "Brack Boats" }</pre>
 */
public final class RivalName {

    private static final int SHORTEST = 4;

    private RivalName() {}

    public static Optional<String> of(String title, String host) {
        String site = letters(host.replaceFirst("^www\\.", "").replaceFirst("\\.[^.]+(:\\d+)?$", ""));
        if (site.length() < SHORTEST) return Optional.empty();
        for (String part : title.split("\\s[|–—·-]\\s")) {
            String name = letters(part);
            if (name.length() >= SHORTEST && site.contains(name)) return Optional.of(part.strip());
        }
        return Optional.empty();
    }

    private static String letters(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N}]", "");
    }
}
