package lucidsweep.core.edit;

import java.util.regex.Pattern;
import lucidsweep.core.text.TextKey;

/**
 * Opens a description with the words of its title, up to the title's first separator; not where it opens with them already.
 *
 * <pre>{@code "Carved by hand." of "Canoe paddle | Tarrin Bay"   // "Canoe paddle. Carved by hand." }</pre>
 */
public record OpenWithTitle() implements BulkEdit {

    private static final Pattern SEPARATOR = Pattern.compile("\\s+[|–—·•»-]\\s+|\\s*[|·•]\\s*|:\\s+");
    private static final String ENDS = ".!?…";

    @Override
    public String apply(String text) {
        return text;
    }

    @Override
    public String apply(String text, String title) {
        String lead = SEPARATOR.split(title.strip(), 2)[0].strip();
        String key = TextKey.key(lead);
        if (key.isEmpty() || text.isBlank() || (TextKey.key(text) + " ").startsWith(key + " ")) return text;
        boolean ended = ENDS.indexOf(lead.charAt(lead.length() - 1)) >= 0;
        return lead + (ended ? " " : ". ") + text;
    }

    @Override
    public boolean needsTitle() {
        return true;
    }
}
