package lucidsweep.core.edit;

import java.util.regex.Pattern;
import lucidsweep.core.text.Spaces;

/** One space between words, none at the ends of a line or before a comma; at most one blank line. */
public record TidySpaces() implements BulkEdit {

    private static final Pattern BEFORE_COMMA = Pattern.compile(" +,");

    @Override
    public String apply(String text) {
        String plain = text.replace('\u00A0', ' ').replace("\u200B", "");
        return BEFORE_COMMA.matcher(Spaces.closedUpInLines(plain)).replaceAll(",");
    }
}
