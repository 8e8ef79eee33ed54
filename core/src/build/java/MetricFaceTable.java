import java.awt.Font;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.font.TextAttribute;
import java.io.BufferedOutputStream;
import java.io.DataOutputStream;
import java.io.File;
import java.io.FileOutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Run at build: lays out every pair of characters of the metric face once and writes advances and kerning, in font
 * units, as {@code MetricFace} reads them. Characters that kern alike share a class, which keeps the table small.
 *
 * <p>Layout: units per em, number of characters, then for each its code, advance, left class and right class; number of
 * left and right classes; the kerning of each pair of classes. All are 16-bit.
 */
final class MetricFaceTable {

    private static final int UNITS_PER_EM = 2048;
    private static final int[][] BLOCKS = {
        {0x20, 0x7E}, {0xA0, 0x24F}, {0x2B0, 0x2DF}, {0x370, 0x52F}, {0x1E00, 0x1EFF}, {0x2000, 0x2BFF}
    };

    public static void main(String[] args) throws Exception {
        if (new File(args[1]).lastModified() > new File(args[0]).lastModified()) return;
        Font font = Font.createFont(Font.TRUETYPE_FONT, new File(args[0]))
                .deriveFont(Map.of(
                        TextAttribute.KERNING, TextAttribute.KERNING_ON, TextAttribute.SIZE, (float) UNITS_PER_EM));
        char[] chars = displayable(font);
        int n = chars.length;
        int[] advances = new int[n];
        short[][] kerning = new short[n][n];
        FontRenderContext context = new FontRenderContext(null, true, true);
        for (int i = 0; i < n; i++) {
            advances[i] = (int) Math.round(font.layoutGlyphVector(context, new char[] {chars[i]}, 0, 1, 0)
                    .getGlyphPosition(1)
                    .getX());
        }
        for (int left = 0; left < n; left++) {
            layPairs(font, context, chars, left, advances, kerning);
        }
        write(new File(args[1]), chars, advances, kerning);
    }

    private static char[] displayable(Font font) {
        StringBuilder found = new StringBuilder();
        for (int[] block : BLOCKS) {
            for (int c = block[0]; c <= block[1]; c++) {
                int type = Character.getType(c);
                boolean zeroWidth = type == Character.NON_SPACING_MARK || type == Character.ENCLOSING_MARK;
                if (font.canDisplay((char) c) && type != Character.FORMAT && !zeroWidth) found.append((char) c);
            }
        }
        return found.toString().toCharArray();
    }

    /**
     * Lays out "a b1 a b2 a b3 … a" without the spaces, for a and all characters from there on: every even gap is a pair that
     * starts with a, every odd one a pair that ends with it.
     */
    private static void layPairs(
            Font font, FontRenderContext context, char[] chars, int from, int[] advances, short[][] kerning) {
        int count = chars.length - from;
        char[] text = new char[count * 2 + 1];
        for (int i = 0; i < count; i++) {
            text[2 * i] = chars[from];
            text[2 * i + 1] = chars[from + i];
        }
        text[2 * count] = chars[from];
        GlyphVector laid = font.layoutGlyphVector(context, text, 0, text.length, 0);
        if (laid.getNumGlyphs() != text.length) {
            throw new IllegalStateException("the metric face joins letters beside " + chars[from]);
        }
        float[] places = laid.getGlyphPositions(0, text.length, null);
        for (int i = 0; i < count; i++) {
            double first = places[4 * i];
            double second = places[4 * i + 2];
            double third = places[4 * i + 4];
            kerning[from][from + i] = (short) Math.round(second - first - advances[from]);
            kerning[from + i][from] = (short) Math.round(third - second - advances[from + i]);
        }
    }

    private static void write(File file, char[] chars, int[] advances, short[][] kerning) throws Exception {
        int n = chars.length;
        int[] leftClass = classes(kerning);
        int[] rightClass = classes(transposed(kerning));
        List<Integer> lefts = firstOfEach(leftClass);
        List<Integer> rights = firstOfEach(rightClass);
        file.getParentFile().mkdirs();
        try (DataOutputStream out = new DataOutputStream(new BufferedOutputStream(new FileOutputStream(file)))) {
            out.writeShort(UNITS_PER_EM);
            out.writeShort(n);
            for (int i = 0; i < n; i++) {
                out.writeShort(chars[i]);
                out.writeShort(advances[i]);
                out.writeShort(leftClass[i]);
                out.writeShort(rightClass[i]);
            }
            out.writeShort(lefts.size());
            out.writeShort(rights.size());
            for (int left : lefts) {
                for (int right : rights) out.writeShort(kerning[left][right]);
            }
        }
    }

    private static int[] classes(short[][] rows) {
        Map<List<Short>, Integer> known = new LinkedHashMap<>();
        int[] found = new int[rows.length];
        for (int i = 0; i < rows.length; i++) {
            List<Short> key = new ArrayList<>(rows[i].length);
            for (short value : rows[i]) key.add(value);
            Integer of = known.putIfAbsent(key, known.size());
            found[i] = of == null ? known.size() - 1 : of;
        }
        return found;
    }

    private static List<Integer> firstOfEach(int[] classes) {
        int count = Arrays.stream(classes).max().orElse(-1) + 1;
        Integer[] first = new Integer[count];
        for (int i = classes.length - 1; i >= 0; i--) first[classes[i]] = i;
        return List.of(first);
    }

    private static short[][] transposed(short[][] rows) {
        short[][] turned = new short[rows.length][rows.length];
        for (int i = 0; i < rows.length; i++) {
            for (int j = 0; j < rows.length; j++) turned[j][i] = rows[i][j];
        }
        return turned;
    }
}
