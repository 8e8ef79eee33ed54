package lucidsweep.server.item;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.zip.DataFormatException;
import java.util.zip.Deflater;
import java.util.zip.Inflater;

/** Long texts as they are stored: deflated, quickly rather than tightly. */
public final class Packed {

    private Packed() {}

    public static byte[] of(String text) {
        Deflater deflater = new Deflater(Deflater.BEST_SPEED);
        try {
            deflater.setInput(text.getBytes(StandardCharsets.UTF_8));
            deflater.finish();
            ByteArrayOutputStream out = new ByteArrayOutputStream(text.length() / 3 + 32);
            byte[] chunk = new byte[8192];
            while (!deflater.finished()) out.write(chunk, 0, deflater.deflate(chunk));
            return out.toByteArray();
        } finally {
            deflater.end();
        }
    }

    /** The text again; "" of null. */
    public static String text(byte[] packed) {
        if (packed == null || packed.length == 0) return "";
        Inflater inflater = new Inflater();
        try {
            inflater.setInput(packed);
            ByteArrayOutputStream out = new ByteArrayOutputStream(packed.length * 4);
            byte[] chunk = new byte[8192];
            while (!inflater.finished()) {
                int count = inflater.inflate(chunk);
                if (count == 0 && inflater.needsInput()) break;
                out.write(chunk, 0, count);
            }
            return out.toString(StandardCharsets.UTF_8);
        } catch (DataFormatException e) {
            throw new IllegalStateException("a stored text is damaged", e);
        } finally {
            inflater.end();
        }
    }
}
