package lucidsweep.core.finding;

import java.util.Optional;
import lucidsweep.core.alike.Series;

/**
 * The texts of other items that a text is like.
 *
 * @param same how many items have the same text, this one included
 * @param twin the address of another of them; "" where there is none
 * @param near a text that is nearly the same, if any
 * @param series the series that it is of, if any
 */
public record Alike(int same, String twin, Optional<NearText> near, Optional<Series> series) {

    /** No other text is like it. */
    public static final Alike NONE = new Alike(1, "", Optional.empty(), Optional.empty());

    /**
     * A text that is nearly the same.
     *
     * @param address of its item
     * @param likeness the share of their runs of four letters that both have, 0 to 1
     * @param group the text that stands for all that are nearly the same
     */
    public record NearText(String address, double likeness, String group) {}
}
