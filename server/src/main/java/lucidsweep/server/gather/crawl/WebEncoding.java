package lucidsweep.server.gather.crawl;

import java.nio.ByteBuffer;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The encodings of pages as browsers take their labels (WHATWG Encoding Standard): a page that says it is in ISO-8859-1 is read
 * as windows-1252, which has its quotation marks and its euro sign.
 */
public final class WebEncoding {

    private static final int LOOKED_AT = 1_024;
    private static final Pattern IN_META =
            Pattern.compile("(?i)<meta[^>]{0,500}?charset\\s*=\\s*[\"']?\\s*([a-z0-9_:.-]{2,40})");

    /** Labels that mean something else on the web than their name says. */
    private static final Map<String, String> OTHERWISE = Map.ofEntries(
            Map.entry("iso-8859-1", "windows-1252"),
            Map.entry("iso8859-1", "windows-1252"),
            Map.entry("iso88591", "windows-1252"),
            Map.entry("iso_8859-1", "windows-1252"),
            Map.entry("iso_8859-1:1987", "windows-1252"),
            Map.entry("latin1", "windows-1252"),
            Map.entry("l1", "windows-1252"),
            Map.entry("cp819", "windows-1252"),
            Map.entry("ibm819", "windows-1252"),
            Map.entry("ascii", "windows-1252"),
            Map.entry("us-ascii", "windows-1252"),
            Map.entry("ansi_x3.4-1968", "windows-1252"),
            Map.entry("x-cp1252", "windows-1252"),
            Map.entry("iso-8859-9", "windows-1254"),
            Map.entry("latin5", "windows-1254"),
            Map.entry("iso-8859-11", "x-windows-874"),
            Map.entry("tis-620", "x-windows-874"),
            Map.entry("gb2312", "GBK"),
            Map.entry("gb_2312-80", "GBK"),
            Map.entry("shift_jis", "windows-31j"),
            Map.entry("shift-jis", "windows-31j"),
            Map.entry("sjis", "windows-31j"),
            Map.entry("euc-kr", "x-windows-949"),
            Map.entry("ks_c_5601-1987", "x-windows-949"),
            Map.entry("x-sjis", "windows-31j"));

    private WebEncoding() {}

    /** The encoding that a label means; null where it means none. */
    static String of(String label) {
        String name = label.strip().toLowerCase(Locale.ROOT);
        try {
            String meant = OTHERWISE.getOrDefault(name, name);
            return Charset.isSupported(meant) ? Charset.forName(meant).name() : null;
        } catch (IllegalCharsetNameException e) {
            return null;
        }
    }

    /** The encoding of a page in a file, which a mark at its start tells before anything else. */
    public static String ofFile(byte[] body) {
        int first = body.length < 2 ? 0 : (body[0] & 0xFF) << 8 | body[1] & 0xFF;
        return first == 0xFEFF ? "UTF-16BE" : first == 0xFFFE ? "UTF-16LE" : ofPage(null, body);
    }

    /**
     * The encoding of a page.
     *
     * @param header what the answer's header says, as {@link #of} gives it; null where it says nothing
     */
    static String ofPage(String header, byte[] body) {
        if (header != null) return header;
        String start = new String(body, 0, Math.min(body.length, LOOKED_AT), StandardCharsets.ISO_8859_1);
        Matcher meta = IN_META.matcher(start);
        if (meta.find()) {
            String said = of(meta.group(1));
            // A page whose meta element can be read is not in UTF-16, whatever it says.
            if (said != null) return said.startsWith("UTF-16") ? "UTF-8" : said;
        }
        return isUtf8(body) ? "UTF-8" : "windows-1252";
    }

    /** A character that was cut off at the very end is no fault. */
    private static boolean isUtf8(byte[] body) {
        CharBuffer text = CharBuffer.allocate(body.length + 1);
        return !StandardCharsets.UTF_8
                .newDecoder()
                .decode(ByteBuffer.wrap(body), text, false)
                .isError();
    }
}
