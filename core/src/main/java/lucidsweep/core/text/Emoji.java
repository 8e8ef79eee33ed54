package lucidsweep.core.text;

/** Emoji in a text; joiners, skin tones and variation selectors belong to the emoji before them. */
public final class Emoji {

    private static final int FIRST = 0x2600;
    private static final int JOINER = 0x200D;

    private Emoji() {}

    /** How many there are. */
    public static int count(String text) {
        if (!hasAny(text)) return 0;
        long letters = text.codePoints().filter(Emoji::isFlagLetter).count();
        return (int) (text.codePoints().filter(Emoji::is).count() + letters / 2);
    }

    /** The text without them. */
    public static String removed(String text) {
        if (!hasAny(text)) return text;
        StringBuilder left = new StringBuilder(text.length());
        boolean after = false;
        for (int i = 0, c; i < text.length(); i += Character.charCount(c)) {
            c = text.codePointAt(i);
            after = is(c) || isFlagLetter(c) || after && belongs(c);
            if (!after) left.appendCodePoint(c);
        }
        return left.toString();
    }

    private static boolean hasAny(String text) {
        for (int i = 0; i < text.length(); i++) if (text.charAt(i) >= FIRST) return true;
        return false;
    }

    private static boolean is(int c) {
        return c >= 0x1F300 && c <= 0x1FAFF && !isSkinTone(c) || c >= 0x2600 && c <= 0x27BF;
    }

    /** Two of them are one flag. */
    private static boolean isFlagLetter(int c) {
        return c >= 0x1F1E6 && c <= 0x1F1FF;
    }

    private static boolean belongs(int c) {
        return c == JOINER || c >= 0xFE00 && c <= 0xFE0F || isSkinTone(c);
    }

    private static boolean isSkinTone(int c) {
        return c >= 0x1F3FB && c <= 0x1F3FF;
    }
}
