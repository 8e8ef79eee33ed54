package lucidsweep.core.page;

import java.util.HashMap;
import java.util.Map;
import java.util.regex.Pattern;
import org.jsoup.nodes.Attributes;
import org.jsoup.nodes.Element;

/**
 * The elements that stand around a place on a page, by what they mean for what stands in them.
 *
 * <pre>{@code
 * int marks = around.enter(element);
 * around.isUnseen();   // whether nothing in here is seen
 * around.leave(marks);
 * }</pre>
 */
final class EnclosingElements {

    private static final int UNSEEN = 1;
    private static final int FRAME = 2;
    private static final int DRAWING = 4;
    private static final int HEAD = 8;
    private static final int NAVIGATION = 16;
    private static final int FOOTER = 32;
    private static final int LINK = 64;

    private static final Map<String, Integer> OF_TAGS = new HashMap<>(Map.ofEntries(
            Map.entry("head", UNSEEN | HEAD),
            Map.entry("svg", UNSEEN | DRAWING),
            Map.entry("script", UNSEEN),
            Map.entry("style", UNSEEN),
            Map.entry("noscript", UNSEEN),
            Map.entry("iframe", UNSEEN),
            Map.entry("textarea", UNSEEN),
            Map.entry("select", UNSEEN),
            Map.entry("nav", FRAME | NAVIGATION),
            Map.entry("header", FRAME | NAVIGATION),
            Map.entry("footer", FRAME | FOOTER),
            Map.entry("aside", FRAME),
            Map.entry("form", FRAME),
            Map.entry("a", LINK)));
    private static final Pattern HIDING = Pattern.compile("(?i)(display\\s*:\\s*none|visibility\\s*:\\s*hidden)");

    private final int[] counts = new int[Integer.numberOfTrailingZeros(LINK) + 1];
    private int marks;

    /** Goes into an element; returns what {@link #leave} has to be told. */
    int enter(Element element) {
        Integer ofTag = OF_TAGS.get(element.normalName());
        int entered = ofTag == null ? 0 : ofTag;
        if (element.attributesSize() > 0 && hidesItself(element.attributes())) entered |= UNSEEN;
        if (entered != 0) count(entered, 1);
        return entered;
    }

    void leave(int entered) {
        if (entered != 0) count(entered, -1);
    }

    private void count(int entered, int step) {
        for (int i = 0; i < counts.length; i++) {
            int mark = 1 << i;
            if ((entered & mark) == 0) continue;
            counts[i] += step;
            marks = counts[i] > 0 ? marks | mark : marks & ~mark;
        }
    }

    private static boolean hidesItself(Attributes attributes) {
        if (attributes.hasKey("hidden")) return true;
        String style = attributes.get("style");
        return !style.isEmpty() && HIDING.matcher(style).find();
    }

    boolean isUnseen() {
        return (marks & UNSEEN) != 0;
    }

    /** Whether this belongs to the frame around the page's own text. */
    boolean isFrame() {
        return (marks & FRAME) != 0;
    }

    boolean isDrawing() {
        return (marks & DRAWING) != 0;
    }

    boolean isHead() {
        return (marks & HEAD) != 0;
    }

    boolean isLink() {
        return (marks & LINK) != 0;
    }

    PageFacts.Place place() {
        if ((marks & FOOTER) != 0) return PageFacts.Place.FOOTER;
        return (marks & NAVIGATION) != 0 ? PageFacts.Place.NAVIGATION : PageFacts.Place.COPY;
    }
}
