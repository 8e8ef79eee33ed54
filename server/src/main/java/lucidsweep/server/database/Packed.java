package lucidsweep.server.database;

import java.nio.charset.StandardCharsets;
import net.jpountz.lz4.LZ4CompressorWithLength;
import net.jpountz.lz4.LZ4DecompressorWithLength;
import net.jpountz.lz4.LZ4Exception;
import net.jpountz.lz4.LZ4Factory;
import net.jpountz.xxhash.XXHash64;
import net.jpountz.xxhash.XXHashFactory;

/** Long texts as they are stored: in LZ4 with their length before them, which is quick rather than tight. */
public final class Packed {

    private static final LZ4CompressorWithLength COMPRESSOR =
            new LZ4CompressorWithLength(LZ4Factory.fastestInstance().fastCompressor());
    private static final LZ4DecompressorWithLength DECOMPRESSOR =
            new LZ4DecompressorWithLength(LZ4Factory.fastestInstance().safeDecompressor());

    private static final XXHash64 HASH = XXHashFactory.fastestInstance().hash64();

    private Packed() {}

    public static byte[] of(byte[] text) {
        return text.length == 0 ? text : COMPRESSOR.compress(text);
    }

    /** A 64-bit hash (XXH64) of a text, started with another so that several texts make one. */
    public static long hash(byte[] text, long seed) {
        return HASH.hash(text, 0, text.length, seed);
    }

    /** The text again; "" of null. */
    public static String text(byte[] packed) {
        return packed == null ? "" : new String(bytes(packed), StandardCharsets.UTF_8);
    }

    public static byte[] bytes(byte[] packed) {
        try {
            return packed.length == 0 ? packed : DECOMPRESSOR.decompress(packed);
        } catch (LZ4Exception e) {
            throw new IllegalStateException("a stored text is damaged", e);
        }
    }
}
