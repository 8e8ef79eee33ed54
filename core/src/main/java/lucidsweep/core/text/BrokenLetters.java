package lucidsweep.core.text;

import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jsoup.parser.Parser;

/** Letters that were read in the wrong encoding ("â€™", "Ã©"), or entities that were escaped twice ("&amp;amp;", "&amp;#39;"). */
public final class BrokenLetters {

    private static final Charset LATIN = Charset.forName("windows-1252");

    /** What a byte from 0x80 to 0xBF looks like when it is read as windows-1252. */
    private static final String FOLLOWING = "[\u0080-\u00BF€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]";

    private static final String ENTITY =
            "&(?:amp|lt|gt|quot|apos|nbsp|ndash|mdash|hellip|[lr][sd]quo|#\\d{1,6}|#x[0-9a-fA-F]{1,5});";

    /** UTF-8 read as windows-1252: a lead byte as a letter, then signs. */
    private static final Pattern BROKEN = Pattern.compile("\uFFFD|â€.|[ÂÃ]" + FOLLOWING + "|" + ENTITY);

    private static final Pattern MISREAD = Pattern.compile("[\u00C2-\u00F4]" + FOLLOWING + "{1,3}");
    private static final Pattern ENTITIES = Pattern.compile(ENTITY);
    private static final int TIMES = 3;

    private BrokenLetters() {}

    /** The first that stands in a text. */
    public static Optional<String> first(String text) {
        Matcher broken = BROKEN.matcher(text);
        return broken.find() ? Optional.of(broken.group()) : Optional.empty();
    }

    /** The text with what can be told put right; it may have been broken up to three times over. */
    public static String repaired(String text) {
        String repaired = text;
        for (int i = 0; i < TIMES && first(repaired).isPresent(); i++) {
            String once = ENTITIES.matcher(
                            MISREAD.matcher(repaired).replaceAll(run -> Matcher.quoteReplacement(reread(run.group()))))
                    .replaceAll(entity -> Matcher.quoteReplacement(Parser.unescapeEntities(entity.group(), false)));
            if (once.equals(repaired)) break;
            repaired = once;
        }
        return repaired.replace('\u00A0', ' ');
    }

    /** A run of letters as the UTF-8 that it was; the run itself where it was none. */
    private static String reread(String run) {
        byte[] bytes = new byte[run.length()];
        for (int i = 0; i < bytes.length; i++) {
            char c = run.charAt(i);
            // Five bytes have no letter in windows-1252 and come through as they are.
            bytes[i] = c < 0x100 ? (byte) c : String.valueOf(c).getBytes(LATIN)[0];
        }
        for (int length = bytes.length; length >= 2; length--) {
            String letters = new String(bytes, 0, length, StandardCharsets.UTF_8);
            if (letters.indexOf('\uFFFD') < 0) return letters + run.substring(length);
        }
        return run;
    }
}
