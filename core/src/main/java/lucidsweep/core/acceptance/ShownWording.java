package lucidsweep.core.acceptance;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.text.TextKey;
import lucidsweep.core.text.WrittenDate;

/** Whose wording a result page shows. */
public enum ShownWording {
    /** Ours, all of it; a site's name may stand behind a title, a date in front of a description. */
    OURS,
    /** A part of ours. */
    CUT,
    /** The search engine's own words. */
    ITS_OWN;

    private static final Pattern ELLIPSIS = Pattern.compile("\\s*(?:…|\\.\\.\\.)\\s*");
    private static final Pattern DATE_IN_FRONT = Pattern.compile("^(.{6,24}?)\\s+[—–·-]\\s+");
    private static final Pattern NAME_BEHIND = Pattern.compile("^\\s*[-|–—·:]\\s*\\S.*");

    /** A part of ours that is shorter than this could stand in anything. */
    private static final int FEWEST_WORDS = 2;

    /**
     * Compares what is shown with ours. Letter case, spacing and punctuation do not count.
     *
     * <pre>{@code ShownWording.of("Kayak hire in Tarrin Bay, by the hour or day", "Kayak hire in Tarrin Bay …")   // CUT }</pre>
     *
     * @param ours the text of the item; not empty
     * @param shown what the result page shows; not empty
     */
    public static ShownWording of(String ours, String shown) {
        String own = TextKey.key(ours);
        String said = withoutDate(shown.strip(), own);
        String key = TextKey.key(said);
        if (key.equals(own) || hasNameBehind(said, own)) return OURS;
        String[] pieces = ELLIPSIS.split(said);
        int from = 0;
        int words = 0;
        for (String piece : pieces) {
            String part = TextKey.key(piece);
            if (part.isEmpty()) continue;
            int at = (" " + own + " ").indexOf(" " + part + " ", from);
            if (at < 0) return ITS_OWN;
            from = at + part.length();
            words += part.split(" ").length;
        }
        return words >= FEWEST_WORDS ? CUT : ITS_OWN;
    }

    /** As it stands in the API: "its-own". */
    @Override
    public String toString() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static String withoutDate(String shown, String own) {
        Matcher date = DATE_IN_FRONT.matcher(shown);
        if (!date.find() || own.startsWith(TextKey.key(date.group(1)))) return shown;
        boolean written = WrittenDate.iso(date.group(1), WrittenDate.Order.DAY_FIRST)
                .or(() -> WrittenDate.iso(date.group(1), WrittenDate.Order.MONTH_FIRST))
                .isPresent();
        return written ? shown.substring(date.end()) : shown;
    }

    /** Whether ours is shown whole, and a name behind it. */
    private static boolean hasNameBehind(String said, String own) {
        String key = TextKey.key(said);
        if (!key.startsWith(own + " ") || own.isEmpty()) return false;
        for (int end = 1; end < said.length(); end++) {
            if (TextKey.key(said.substring(0, end)).equals(own)) {
                if (Character.isLetterOrDigit(said.charAt(end))) continue;
                return NAME_BEHIND.matcher(said.substring(end)).matches();
            }
        }
        return false;
    }
}
