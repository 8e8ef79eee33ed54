package lucidsweep.core.edit;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.regex.PatternSyntaxException;

/**
 * Replaces every occurrence of a text or of a regular expression.
 *
 * @param mayRunAway whether somebody wrote the expression, who may have written one that tries for ever
 */
public record Replace(Pattern pattern, String replacement, boolean mayRunAway) implements BulkEdit {

    private static final Pattern NAMED = Pattern.compile("(?<!\\\\)\\$(\\d)");

    /** How what was typed is looked for. */
    public enum Way {
        PLAIN,
        WHOLE_WORD,
        REGEX
    }

    /**
     * Reads what was typed.
     *
     * @param replacement with REGEX, $1 stands for the first group
     * @throws IllegalArgumentException where the regular expression cannot be read, with the place
     */
    public static Replace of(String find, String replacement, Way way, boolean matchCase) {
        if (find.isEmpty()) throw new IllegalArgumentException("expected a text to find, got none");
        // Of plain English letters no other case than the usual one is worth the time that it takes.
        boolean plainLetters = way != Way.REGEX && find.chars().allMatch(letter -> letter < 128);
        int flags = (plainLetters ? 0 : Pattern.UNICODE_CASE) | (matchCase ? 0 : Pattern.CASE_INSENSITIVE);
        try {
            Pattern pattern = Pattern.compile(written(find, way), flags);
            Replace replace = new Replace(
                    pattern, way == Way.REGEX ? replacement : Matcher.quoteReplacement(replacement), way == Way.REGEX);
            replace.checkReplacement();
            return replace;
        } catch (PatternSyntaxException e) {
            throw new IllegalArgumentException(
                    "the regular expression cannot be read at character " + (e.getIndex() + 1) + ": "
                            + e.getDescription(),
                    e);
        }
    }

    private static String written(String find, Way way) {
        return switch (way) {
            case PLAIN -> Pattern.quote(find);
            case WHOLE_WORD -> "(?<![\\p{L}\\p{N}\\p{M}])" + Pattern.quote(find) + "(?![\\p{L}\\p{N}\\p{M}])";
            case REGEX -> find;
        };
    }

    private void checkReplacement() {
        int groups = pattern.matcher("").groupCount();
        Matcher named = NAMED.matcher(replacement);
        while (named.find()) {
            if (Integer.parseInt(named.group(1)) > groups) {
                throw new IllegalArgumentException(
                        "the replacement names group " + named.group(1) + ", the regular expression has " + groups);
            }
        }
    }

    @Override
    public String apply(String text) {
        try {
            CharSequence counted = mayRunAway ? new CountedSteps(text) : text;
            return pattern.matcher(counted).replaceAll(replacement);
        } catch (StackOverflowError deep) {
            throw new RunawayPattern();
        }
    }
}
