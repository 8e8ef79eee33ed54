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
            layRow(font, context, chars, left, advances, kerning[left]);
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

    /** Lays out "a b1 a b2 a b3 …" without the spaces; every even gap is a pair that starts with a. */
    private static void layRow(
            Font font, FontRenderContext context, char[] chars, int left, int[] advances, short[] row) {
        char[] text = new char[chars.length * 2];
        for (int i = 0; i < chars.length; i++) {
            text[2 * i] = chars[left];
            text[2 * i + 1] = chars[i];
        }
        GlyphVector laid = font.layoutGlyphVector(context, text, 0, text.length, 0);
        if (laid.getNumGlyphs() != text.length) {
            throw new IllegalStateException("the metric face joins letters after " + chars[left]);
        }
        for (int i = 0; i < chars.length; i++) {
            double step = laid.getGlyphPosition(2 * i + 1).getX()
                    - laid.getGlyphPosition(2 * i).getX();
            row[i] = (short) Math.round(step - advances[left]);
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
