package lucidsweep.server.table;

import com.ibm.icu.text.CharsetDetector;
import com.ibm.icu.text.CharsetMatch;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import lucidsweep.server.web.Refusal;

/** Recognises how a text file is encoded, from its byte order mark and its bytes. */
final class TextEncoding {

    private static final int SAMPLE = 256 * 1024;
    private static final int WRONG_ENDURED = 4;
    private static final int LEAST_CONFIDENCE = 20;
    private static final Charset WINDOWS_1252 = Charset.forName("windows-1252");
    private static final Map<String, Charset> OF_ONE_BYTE = Map.ofEntries(
            Map.entry("ISO-8859-1", WINDOWS_1252),
            Map.entry("windows-1252", WINDOWS_1252),
            Map.entry("ISO-8859-2", Charset.forName("ISO-8859-2")),
            Map.entry("windows-1250", Charset.forName("windows-1250")),
            Map.entry("ISO-8859-5", Charset.forName("ISO-8859-5")),
            Map.entry("windows-1251", Charset.forName("windows-1251")),
            Map.entry("KOI8-R", Charset.forName("KOI8-R")),
            Map.entry("ISO-8859-7", Charset.forName("windows-1253")),
            Map.entry("windows-1253", Charset.forName("windows-1253")),
            Map.entry("ISO-8859-9", Charset.forName("windows-1254")),
            Map.entry("windows-1254", Charset.forName("windows-1254")));

    private TextEncoding() {}

    /** The encoding of a file; a file that is empty or no text is refused in words. */
    static Charset of(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] sample = in.readNBytes(SAMPLE);
            return of(sample, Files.size(file) > sample.length);
        } catch (IOException e) {
            throw Refusal.badInput("the file cannot be read: " + e.getMessage());
        }
    }

    private static Charset of(byte[] sample, boolean more) {
        if (sample.length == 0)
            throw Refusal.badInput("the file is empty; a table with a row of column names was expected");
        if (startsWith(sample, 0xEF, 0xBB, 0xBF)) return StandardCharsets.UTF_8;
        if (startsWith(sample, 0xFF, 0xFE)) return StandardCharsets.UTF_16LE;
        if (startsWith(sample, 0xFE, 0xFF)) return StandardCharsets.UTF_16BE;
        int[] zeros = new int[2];
        int controls = 0;
        for (int i = 0; i < sample.length; i++) {
            if (sample[i] == 0) zeros[i % 2]++;
            else if (sample[i] > 0 && sample[i] < ' ' && "\t\n\r\f".indexOf(sample[i]) < 0) controls++;
        }
        if (zeros[1] > sample.length / 4 && zeros[0] < sample.length / 20) return StandardCharsets.UTF_16LE;
        if (zeros[0] > sample.length / 4 && zeros[1] < sample.length / 20) return StandardCharsets.UTF_16BE;
        if (zeros[0] + zeros[1] > 0 || controls > sample.length / 50) {
            throw Refusal.badInput(
                    "this is no text file (it holds binary data); a CSV file was expected. A spreadsheet can save one.");
        }
        return isUtf8(sample, more) ? StandardCharsets.UTF_8 : detected(sample);
    }

    /**
     * The encoding of eight bits a letter that the frequency of its letters tells; windows-1252 where the text is well written
     * in that. The names that ICU gives stand for the Windows encodings, which hold the same letters and more.
     */
    private static Charset detected(byte[] sample) {
        if (isWesternEuropean(new String(sample, WINDOWS_1252))) return WINDOWS_1252;
        CharsetDetector detector = new CharsetDetector();
        detector.setText(sample);
        for (CharsetMatch match : detector.detectAll()) {
            Charset found = OF_ONE_BYTE.get(match.getName());
            if (found != null && match.getConfidence() >= LEAST_CONFIDENCE) return found;
        }
        return WINDOWS_1252;
    }

    /** Whether letters beyond ASCII are few, and no signs such as "³" stand among the letters of words. */
    private static boolean isWesternEuropean(String text) {
        int ascii = 0;
        int beyond = 0;
        int signs = 0;
        for (int i = 1; i < text.length() - 1; i++) {
            char c = text.charAt(i);
            if (c < 0x80 && Character.isLetter(c)) ascii++;
            if (c < 0x80) continue;
            beyond++;
            boolean inWord = Character.isLetter(text.charAt(i - 1)) && Character.isLetter(text.charAt(i + 1));
            if (inWord && (!Character.isLetter(c) || "ªºœ".indexOf(c) >= 0) && "’‘-–".indexOf(c) < 0) signs++;
        }
        return beyond < ascii && signs * 20 <= beyond;
    }

    private static boolean startsWith(byte[] bytes, int... start) {
        if (bytes.length < start.length) return false;
        for (int i = 0; i < start.length; i++) {
            if ((bytes[i] & 0xFF) != start[i]) return false;
        }
        return true;
    }

    /**
     * Whether letters beyond ASCII are written as UTF-8 writes them. A few wrong bytes, from a text that was cut or mended by
     * hand, do not make it another encoding: in none of those do such sequences come about by chance.
     */
    private static boolean isUtf8(byte[] sample, boolean more) {
        int end = sample.length;
        // A sample may end within a letter; its last whole line does not.
        while (more && end > 0 && sample[end - 1] != '\n') end--;
        String text = new String(sample, 0, end, StandardCharsets.UTF_8);
        long wrong = text.chars().filter(c -> c == '\uFFFD').count();
        long right = text.chars().filter(c -> c >= 0x80 && c != '\uFFFD').count();
        return wrong == 0 || right > WRONG_ENDURED * wrong;
    }
}
