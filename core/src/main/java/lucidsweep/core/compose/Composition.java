package lucidsweep.core.compose;

import java.util.List;

/**
 * What a recipe made of an item.
 *
 * @param text the text; "" where nothing could be made
 * @param leftOut the texts that did not fit or would have said the same again
 */
public record Composition(String text, Outcome outcome, List<String> leftOut) {

    /** How it came out: whole, with parts shortened or left out, whole but for a part without a source, or not at all. */
    public enum Outcome {
        FITS,
        SHORTENED,
        LACKS_SOURCE,
        NOTHING
    }
}
