package lucidsweep.core.page;

import java.net.URI;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import lucidsweep.core.item.Field;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;

/**
 * A page as it is stored, of which single texts can be rewritten while every other byte stays as it is.
 *
 * <pre>{@code
 * PageSource page = PageSource.of(bytes, StandardCharsets.UTF_8);
 * page.text(Field.TITLE);                                    // "Home"
 * byte[] better = page.with(Map.of(Field.TITLE, "Kayak hire in Tarrin Bay"));
 * }</pre>
 */
public final class PageSource {

    /** The fields that can be rewritten. */
    public static final Set<Field> FIELDS =
            EnumSet.of(Field.TITLE, Field.DESCRIPTION, Field.H1, Field.INDEXING, Field.OG_TITLE, Field.OG_DESCRIPTION);

    private static final URI NOWHERE = URI.create("http://127.0.0.1/");

    /** Marks at the start of a text that tell its encoding, the longer first. */
    private static final List<byte[]> MARKS = List.of(
            new byte[] {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF},
            new byte[] {(byte) 0xFE, (byte) 0xFF},
            new byte[] {(byte) 0xFF, (byte) 0xFE});

    private final byte[] mark;
    private final Charset charset;
    private final PageFacts facts;
    private final String view;
    private PagePlaces places;

    private PageSource(byte[] bytes, Charset charset) {
        this.charset = charset;
        mark = MARKS.stream()
                .filter(each -> bytes.length >= each.length && Arrays.equals(each, Arrays.copyOf(bytes, each.length)))
                .findFirst()
                .orElse(new byte[0]);
        byte[] body = Arrays.copyOfRange(bytes, mark.length, bytes.length);
        facts = PageReader.read(Jsoup.parse(new String(body, charset)), NOWHERE);
        view = new String(body, viewed());
    }

    /**
     * A page.
     *
     * @param charset in which it is written; the marks of UTF-8 and UTF-16 at the start of a text are passed over
     * @throws Unwritable where markup cannot be found in such bytes
     */
    public static PageSource of(byte[] bytes, Charset charset) {
        if (charset.name().startsWith("ISO-2022") || charset.name().startsWith("UTF-32")) {
            throw new Unwritable("it is written in " + charset.name() + ", which is not rewritten");
        }
        return new PageSource(bytes, charset);
    }

    /** A page cannot be rewritten as wanted; the message says why. */
    public static final class Unwritable extends RuntimeException {

        private static final long serialVersionUID = 1L;

        Unwritable(String why) {
            super(why);
        }
    }

    /**
     * Markup is ASCII in nearly all encodings, and what is between may be anything, even damaged: seen as Latin-1, a character
     * is a byte and nothing is lost. UTF-16 is seen as it is.
     */
    private Charset viewed() {
        return charset.name().startsWith("UTF-16") ? charset : StandardCharsets.ISO_8859_1;
    }

    /**
     * What it says now, as a sweep captures it.
     *
     * @return "" where it says nothing
     */
    public String text(Field field) {
        return text(facts, field);
    }

    private static String text(PageFacts facts, Field field) {
        return switch (field) {
            case TITLE -> first(facts.titles());
            case DESCRIPTION -> first(facts.descriptions());
            case H1 -> first(facts.h1s());
            case OG_TITLE -> facts.shared().title();
            case OG_DESCRIPTION -> facts.shared().description();
            case INDEXING -> RobotsDirectives.of(facts.head().robots()).isNoindex() ? "noindex" : "index";
            default -> throw new IllegalArgumentException("expected one of " + FIELDS + ", got \"" + field + "\"");
        };
    }

    private static String first(List<String> texts) {
        return texts.isEmpty() ? "" : texts.get(0);
    }

    /** How many bytes it has. */
    public int size() {
        return mark.length + view.length() * (charset.name().startsWith("UTF-16") ? 2 : 1);
    }

    /** How many titles, descriptions or H1s it has; the first one counts and is rewritten. */
    public int count(Field field) {
        return switch (field) {
            case TITLE -> facts.titles().size();
            case DESCRIPTION -> facts.descriptions().size();
            case H1 -> facts.h1s().size();
            default -> text(field).isEmpty() ? 0 : 1;
        };
    }

    /**
     * The page with other texts.
     *
     * @param texts by field; what it says already is left as it is written
     * @throws Unwritable where a text has no place in it, or would not be read back as it was given
     */
    public byte[] with(Map<Field, String> texts) {
        TreeMap<Integer, PagePlaces.Change> changes = new TreeMap<>();
        new TreeMap<>(texts).forEach((field, text) -> {
            String wanted = collapsed(text);
            if (wanted.equals(text(field))) return;
            PagePlaces.Change change = places().change(field, wanted, this::encoded);
            changes.merge(change.from(), change, PagePlaces.Change::then);
        });
        if (changes.isEmpty()) return whole(view);
        StringBuilder changed = new StringBuilder(view.length() + 1_000);
        int at = 0;
        for (PagePlaces.Change change : changes.values()) {
            changed.append(view, at, change.from()).append(change.text());
            at = change.to();
        }
        byte[] bytes = whole(changed.append(view, at, view.length()).toString());
        checkReadBack(bytes, texts);
        return bytes;
    }

    /** Most pages are read only, and where their texts stand is not asked. */
    private PagePlaces places() {
        if (places == null) places = PagePlaces.of(view);
        return places;
    }

    private byte[] whole(String view) {
        byte[] body = view.getBytes(viewed());
        byte[] bytes = Arrays.copyOf(mark, mark.length + body.length);
        System.arraycopy(body, 0, bytes, mark.length, body.length);
        return bytes;
    }

    /** Nothing is handed back that says anything else than was asked for, whatever the page is like. */
    private void checkReadBack(byte[] bytes, Map<Field, String> texts) {
        Document page = Jsoup.parse(new String(bytes, mark.length, bytes.length - mark.length, charset));
        PageFacts now = PageReader.read(page, NOWHERE);
        for (Field field : FIELDS) {
            String wanted = texts.containsKey(field) ? collapsed(texts.get(field)) : text(facts, field);
            if (!wanted.equals(text(now, field))) {
                throw new Unwritable(
                        "its markup is so that the " + field.label() + " would come out as “" + text(now, field) + "”");
            }
        }
    }

    /** A text for markup, as it is seen here; what the encoding does not have is written as a reference. */
    private String encoded(String text) {
        StringBuilder escaped = new StringBuilder(text.length() + 20);
        var encoder = charset.newEncoder();
        text.codePoints().forEach(point -> {
            String one = Character.toString(point);
            switch (one) {
                case "&" -> escaped.append("&amp;");
                case "<" -> escaped.append("&lt;");
                case ">" -> escaped.append("&gt;");
                case "\"" -> escaped.append("&quot;");
                case "'" -> escaped.append("&#39;");
                default -> escaped.append(encoder.canEncode(one) ? one : "&#" + point + ";");
            }
        });
        return new String(escaped.toString().getBytes(charset), viewed());
    }

    private static String collapsed(String text) {
        return text.replaceAll("\\s+", " ").strip();
    }
}
