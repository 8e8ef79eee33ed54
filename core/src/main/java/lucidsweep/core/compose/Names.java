package lucidsweep.core.compose;

import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Words and phrases that keep the case they are given in, whatever is done to the text around them.
 *
 * <pre>{@code Names.of(List.of("Tarrin Bay")).restored("hire in tarrin bay")   // "hire in Tarrin Bay" }</pre>
 */
public final class Names {

    private final List<Name> names;

    private record Name(String lower, Pattern anyCase, String replacement) {}

    private Names(List<Name> names) {
        this.names = names;
    }

    public static Names of(Collection<String> names) {
        return new Names(names.stream()
                .filter(name -> !name.isBlank())
                .map(name -> new Name(name.toLowerCase(Locale.ROOT), anyCase(name), Matcher.quoteReplacement(name)))
                .toList());
    }

    private static Pattern anyCase(String name) {
        return Pattern.compile(
                "(?<![\\p{L}\\p{N}])" + Pattern.quote(name) + "(?![\\p{L}\\p{N}])",
                Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);
    }

    /** The text with every name in its own case. */
    String restored(String text) {
        String restored = text;
        String lower = text.toLowerCase(Locale.ROOT);
        for (Name name : names) {
            if (lower.contains(name.lower))
                restored = name.anyCase.matcher(restored).replaceAll(name.replacement);
        }
        return restored;
    }
}
