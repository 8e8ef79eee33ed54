package lucidsweep.core.item;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * The texts of the parts of a page, such as the alt texts of its images, as one text: a line a part, its address, a tab and
 * its text. A part without a tab has no text at all; one with an empty text says so on purpose, as images that are mere
 * decoration do.
 *
 * <pre>{@code "/boat.jpg\tA red boat\n/line.gif\t\n/oar.jpg"   // A red boat, an empty text, none }</pre>
 */
public final class PartTexts {

    private PartTexts() {}

    /**
     * A part.
     *
     * @param address of the image, or of the page that the link leads to
     * @param text null where it has none
     */
    public record Part(String address, String text) {}

    /** Whether a field consists of such parts. */
    public static boolean areOf(Field field) {
        return field == Field.IMAGES || field == Field.LINKS;
    }

    public static List<Part> of(String text) {
        if (text.isEmpty()) return List.of();
        List<Part> parts = new ArrayList<>();
        for (String line : text.split("\n", -1)) {
            int tab = line.indexOf('\t');
            parts.add(tab < 0 ? new Part(line, null) : new Part(line.substring(0, tab), line.substring(tab + 1)));
        }
        return parts;
    }

    public static String join(List<Part> parts) {
        StringBuilder text = new StringBuilder();
        for (Part part : parts) {
            if (text.length() > 0) text.append('\n');
            text.append(oneLine(part.address));
            if (part.text != null) text.append('\t').append(oneLine(part.text));
        }
        return text.toString();
    }

    private static String oneLine(String text) {
        return text.replaceAll("[\\t\\n\\r]+", " ");
    }

    /** A part of which the text is another one; null where it has none. */
    public record Change(String address, String before, String after) {}

    /** What differs between the parts of a page as they were and as they are. */
    public static List<Change> changes(String before, String after) {
        List<Part> old = of(before);
        List<Part> now = of(after);
        List<Change> changes = new ArrayList<>();
        for (int i = 0; i < Math.min(old.size(), now.size()); i++) {
            if (!old.get(i).equals(now.get(i))) {
                changes.add(new Change(now.get(i).address, old.get(i).text, now.get(i).text));
            }
        }
        return changes;
    }

    /** The same with each text changed; parts without one stay so. */
    public static String changed(String text, UnaryOperator<String> change) {
        return join(of(text).stream()
                .map(part -> part.text == null ? part : new Part(part.address, change.apply(part.text)))
                .toList());
    }

    /**
     * The parts of a page with the texts that are given for them: the first given for an address goes to the first part with
     * it, the second to the second. Parts for which none is given stay as they are.
     *
     * @param given lines as of {@link #of}; addresses that the page does not have are passed over
     */
    public static String merged(String own, String given) {
        Map<String, Deque<Part>> texts = new HashMap<>();
        for (Part part : of(given)) {
            texts.computeIfAbsent(part.address, any -> new ArrayDeque<>()).add(part);
        }
        return join(of(own).stream()
                .map(part -> {
                    Deque<Part> forIt = texts.get(part.address);
                    return forIt == null || forIt.isEmpty() ? part : forIt.poll();
                })
                .toList());
    }
}
