package lucidsweep.server.item;

import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Likeness;

/** What tables sort and group a text by: px on a desktop, characters, and the hash that alike texts share. */
public record TextMeasure(int px, int chars, long alike) {

    public static TextMeasure of(String field, String text, Standard standard) {
        Standard.TextLimits limits = field.equals("title") ? standard.title() : standard.description();
        int px = (int) Math.round(limits.desktop().width(text));
        return new TextMeasure(px, Graphemes.count(text), Likeness.hash(text));
    }
}
