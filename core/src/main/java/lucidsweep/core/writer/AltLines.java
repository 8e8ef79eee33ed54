package lucidsweep.core.writer;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;
import lucidsweep.core.finding.SaysNothing;
import lucidsweep.core.item.PartTexts;

/**
 * Alt texts as they are asked for and answered: a line for each image of a page that lacks one, in their order.
 *
 * <pre>{@code AltLines.lacking("/oar.jpg\n/boat.jpg\tA red boat")                 // ["/oar.jpg"]
 * AltLines.given("1. An oar of ash", List.of("/oar.jpg"))                     // "/oar.jpg\tAn oar of ash" }</pre>
 */
public final class AltLines {

    /** Many services number what they were asked to write line by line. */
    private static final Pattern NUMBER = Pattern.compile("^\\s*(?:\\d{1,3}[.):]|[-*•])\\s+");

    private AltLines() {}

    /** The addresses of the images whose text is missing or the name of a file. */
    public static List<String> lacking(String images) {
        return PartTexts.of(images).stream()
                .filter(image -> SaysNothing.asAlt(image.text()))
                .map(PartTexts.Part::address)
                .toList();
    }

    /** The lines of an answer, without numbers before them. */
    static List<String> of(String answer) {
        return answer.lines()
                .map(line -> NUMBER.matcher(line).replaceFirst("").strip())
                .filter(line -> !line.isEmpty())
                .toList();
    }

    /**
     * The images with the texts that an answer gives them.
     *
     * @param images their addresses, in the order in which they were asked about
     * @return as {@link PartTexts} has them; empty where the answer has another number of lines
     */
    public static Optional<String> given(String answer, List<String> images) {
        List<String> lines = of(answer);
        if (lines.size() != images.size()) return Optional.empty();
        List<PartTexts.Part> parts = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) parts.add(new PartTexts.Part(images.get(i), lines.get(i)));
        return Optional.of(PartTexts.join(parts));
    }
}
