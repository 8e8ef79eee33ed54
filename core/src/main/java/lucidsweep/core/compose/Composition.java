package lucidsweep.core.compose;

import java.util.List;

/**
 * What a recipe made of an item.
 *
 * @param text the text; "" where nothing could be made
 * @param leftOut what is not in it, and why
 */
public record Composition(String text, Outcome outcome, List<LeftOut> leftOut) {

    /** How it came out: whole, with parts shortened or left out, whole but for a part without a source, or not at all. */
    public enum Outcome {
        FITS,
        SHORTENED,
        LACKS_SOURCE,
        NOTHING
    }

    /** A text that is not in the composition. */
    public record LeftOut(String text, Why why) {}

    /** Why it was left out: there was no room, or another part says it already. */
    public enum Why {
        NO_ROOM,
        SAID_ALREADY
    }

    static Composition nothing(List<LeftOut> leftOut) {
        return new Composition("", Outcome.NOTHING, leftOut);
    }
}
