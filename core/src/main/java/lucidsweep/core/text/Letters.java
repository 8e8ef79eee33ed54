package lucidsweep.core.text;

import java.text.Normalizer;
import java.util.regex.Pattern;

/** Letters without their accents. */
public final class Letters {

    private static final Pattern MARKS = Pattern.compile("\\p{M}+");

    private Letters() {}

    /**
     * The text with accents taken off and letters that Unicode does not take apart written as most people type them.
     *
     * <pre>{@code plain("Größe, Łódź")  // "Grosse, Lodz" }</pre>
     */
    public static String plain(String text) {
        if (isAscii(text)) return text;
        String apart = Normalizer.normalize(text, Normalizer.Form.NFD);
        return MARKS.matcher(apart)
                .replaceAll("")
                .replace("ß", "ss")
                .replace('ł', 'l')
                .replace('Ł', 'L')
                .replace("æ", "ae")
                .replace("œ", "oe")
                .replace('ø', 'o')
                .replace('Ø', 'O')
                .replace('ı', 'i');
    }

    private static boolean isAscii(String text) {
        for (int i = 0; i < text.length(); i++) if (text.charAt(i) >= 0x80) return false;
        return true;
    }
}
