package lucidsweep.core.acceptance;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How a text is put together: the name or ending behind its last separator, which templates leave on all their texts. */
final class TextTemplate {

    private static final Pattern ENDING = Pattern.compile("\\s([|–—·-])\\s([^|–—·]{2,60})$");

    private TextTemplate() {}

    /** "… | Tarrin Bay Kayaks", or "no ending". */
    static String of(String text) {
        Matcher ending = ENDING.matcher(text.strip());
        return ending.find() ? "… " + ending.group(1) + " " + ending.group(2).strip() : "no ending";
    }
}
