package lucidsweep.server.item;

import java.nio.charset.StandardCharsets;
import net.jpountz.lz4.LZ4CompressorWithLength;
import net.jpountz.lz4.LZ4DecompressorWithLength;
import net.jpountz.lz4.LZ4Exception;
import net.jpountz.lz4.LZ4Factory;

/** Long texts as they are stored: in LZ4 with their length before them, which is quick rather than tight. */
public final class Packed {

    private static final LZ4CompressorWithLength COMPRESSOR =
            new LZ4CompressorWithLength(LZ4Factory.fastestJavaInstance().fastCompressor());
    private static final LZ4DecompressorWithLength DECOMPRESSOR =
            new LZ4DecompressorWithLength(LZ4Factory.fastestJavaInstance().safeDecompressor());

    private Packed() {}

    public static byte[] of(String text) {
        return text.isEmpty() ? new byte[0] : COMPRESSOR.compress(text.getBytes(StandardCharsets.UTF_8));
    }

    /** The text again; "" of null. */
    public static String text(byte[] packed) {
        if (packed == null || packed.length == 0) return "";
        try {
            return new String(DECOMPRESSOR.decompress(packed), StandardCharsets.UTF_8);
        } catch (LZ4Exception e) {
            throw new IllegalStateException("a stored text is damaged", e);
        }
    }
}
