package lucidsweep.core.text;

import java.io.BufferedInputStream;
import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.text.Normalizer;

/**
 * Measures text in the face that result pages are set in, from the face's own advances and pair kerning.
 *
 * <pre>{@code
 * double px = MetricFace.arimo().width("Kayak hire in Tarrin Bay", 20);   // 213.47
 * }</pre>
 *
 * <p>Characters that the face lacks: full-width ones count 1 em, emoji 1.2475 em (24.95 px at 20 px, the advance of Noto
 * Color Emoji), an emoji joined to another or modified counts once, combining marks, joiners and other format
 * characters count 0, anything else 0.6 em.
 */
public final class MetricFace {

    private static final double EMOJI_EM = 1.2475;
    private static final double UNKNOWN_EM = 0.6;
    private static final int TABLE_END = 0x2C00;
    private static final byte LATIN = scriptOf('a');
    private static final MetricFace ARIMO = load("metric-face.bin");

    private final int unitsPerEm;
    /** By character; 0 where the face has no such character. */
    private final short[] advance = new short[TABLE_END];

    private final short[] leftClass = new short[TABLE_END];
    private final short[] rightClass = new short[TABLE_END];

    /**
     * By character, for Latin letters and what belongs to no script: advance, right class and the place where the kerning
     * of its left class begins, of 16, 16 and 32 bits, so that a character costs one look. 0 for others.
     */
    private final long[] plain = new long[TABLE_END];

    private final int rightClasses;
    private final short[] kerning;

    /** Where in the kerning the row of zeros is that stands for the beginning of a line. */
    private final int beforeFirst;

    /** By character; 0 for what all scripts use, such as spaces, digits and most punctuation. */
    private final byte[] script = new byte[TABLE_END];

    private MetricFace(DataInputStream in) throws IOException {
        unitsPerEm = in.readUnsignedShort();
        int characters = in.readUnsignedShort();
        for (int i = 0; i < characters; i++) {
            int c = in.readUnsignedShort();
            advance[c] = in.readShort();
            leftClass[c] = in.readShort();
            rightClass[c] = in.readShort();
            script[c] = scriptOf(c);
        }
        int leftClasses = in.readUnsignedShort();
        rightClasses = in.readUnsignedShort();
        beforeFirst = leftClasses * rightClasses;
        kerning = new short[beforeFirst + rightClasses];
        for (int i = 0; i < beforeFirst; i++) kerning[i] = in.readShort();
        for (int c = 0; c < TABLE_END; c++) plain[c] = packed(Math.max(c, ' '));
    }

    private long packed(int c) {
        if (advance[c] == 0 || (script[c] != 0 && script[c] != LATIN)) return 0;
        return (long) leftClass[c] * rightClasses << 32 | (long) rightClass[c] << 16 | advance[c];
    }

    /** Arimo Regular, whose advances equal those of the faces that result pages use. */
    public static MetricFace arimo() {
        return ARIMO;
    }

    /**
     * The width of a line.
     *
     * @param text one line; control characters count as a space
     * @param sizePx the font size in px
     * @return the width in px, as a browser lays it out, to within 0.5 px
     */
    public double width(String text, double sizePx) {
        return units(text) * sizePx / unitsPerEm;
    }

    /** Most texts are of Latin letters and what all scripts use: one run. */
    private long units(String text) {
        long units = 0;
        int left = beforeFirst;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            long glyph = c < TABLE_END ? plain[c] : 0;
            if (glyph == 0) return unitsOfRuns(text);
            units += (glyph & 0xFFFF) + kerning[left + (int) (glyph >> 16 & 0xFFFF)];
            left = (int) (glyph >> 32);
        }
        return units;
    }

    /**
     * Text is laid out in runs of one script each, and kerning stops between them; what all scripts use belongs to the run
     * before it (Unicode Standard Annex 24).
     */
    private long unitsOfRuns(String text) {
        long units = 0;
        int previous = -1;
        int run = 0;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c < ' ') c = ' ';
            if (c >= TABLE_END || advance[c] == 0) return unitsOfAny(text);
            units += advance[c];
            int own = script[c] == 0 ? run : script[c];
            boolean sameRun = run == 0 || own == run;
            if (previous >= 0 && sameRun) units += kerning[leftClass[previous] * rightClasses + rightClass[c]];
            run = own;
            previous = c;
        }
        return units;
    }

    /** As {@link #units}, for text that holds characters outside the table. */
    private long unitsOfAny(String given) {
        String text = Normalizer.normalize(given, Normalizer.Form.NFC);
        double units = 0;
        int previous = -1;
        int run = 0;
        boolean joined = false;
        boolean halfFlag = false;
        for (int i = 0, c; i < text.length(); i += Character.charCount(c)) {
            c = text.codePointAt(i);
            if (c < ' ') c = ' ';
            if (c < TABLE_END && advance[c] != 0) {
                units += advance[c];
                int own = script[c] == 0 ? run : script[c];
                boolean sameRun = run == 0 || own == run;
                if (previous >= 0 && sameRun) units += kerning[leftClass[previous] * rightClasses + rightClass[c]];
                run = own;
                previous = c;
                joined = halfFlag = false;
                continue;
            }
            if (isZeroWidth(c)) {
                joined = c == 0x200D;
                continue;
            }
            boolean flag = c >= 0x1F1E6 && c <= 0x1F1FF;
            if (!joined && !(flag && halfFlag)) units += em(c) * unitsPerEm;
            halfFlag = flag && !halfFlag;
            joined = false;
            previous = -1;
        }
        return Math.round(units);
    }

    private static byte scriptOf(int c) {
        Character.UnicodeScript script = Character.UnicodeScript.of(c);
        boolean shared = script == Character.UnicodeScript.COMMON || script == Character.UnicodeScript.INHERITED;
        return shared ? 0 : (byte) (1 + script.ordinal() % Byte.MAX_VALUE);
    }

    private static boolean isZeroWidth(int c) {
        int type = Character.getType(c);
        return type == Character.NON_SPACING_MARK
                || type == Character.ENCLOSING_MARK
                || type == Character.FORMAT
                || type == Character.CONTROL
                || (c >= 0x1F3FB && c <= 0x1F3FF);
    }

    private static double em(int c) {
        if (isEmoji(c)) return EMOJI_EM;
        return isFullWidth(c) ? 1 : UNKNOWN_EM;
    }

    private static boolean isEmoji(int c) {
        return (c >= 0x1F000 && c <= 0x1FAFF) || (c >= 0x2600 && c <= 0x27BF) || (c >= 0x231A && c <= 0x23FF);
    }

    private static boolean isFullWidth(int c) {
        if ((c >= 0x3000 && c <= 0x303F) || (c >= 0xFF00 && c <= 0xFF60)) return true;
        return switch (Character.UnicodeScript.of(c)) {
            case HAN, HIRAGANA, KATAKANA, HANGUL, BOPOMOFO, YI -> true;
            default -> false;
        };
    }

    private static MetricFace load(String resource) {
        try (InputStream in = MetricFace.class.getResourceAsStream(resource)) {
            return new MetricFace(new DataInputStream(new BufferedInputStream(in)));
        } catch (IOException e) {
            throw new UncheckedIOException("the table of widths cannot be read: " + resource, e);
        }
    }
}
