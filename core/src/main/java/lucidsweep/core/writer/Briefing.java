package lucidsweep.core.writer;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What is known of an item when something is asked about it. What a page says to machines that read it is left out.
 *
 * @param texts what there is of each input; what is missing has none
 * @param answers of columns that were asked before, by their names
 */
public record Briefing(Map<Input, String> texts, Map<String, String> answers) {

    public Briefing {
        Map<Input, String> material = new EnumMap<>(Input.class);
        texts.forEach((input, text) -> material.put(input, Orders.removed(text)));
        texts = material;
    }

    /** The text of an input; "" where there is none. */
    public String text(Input input) {
        return texts.getOrDefault(input, "");
    }

    /** The lines of an input; none where there is none. */
    public List<String> lines(Input input) {
        return text(input).lines().toList();
    }
}
