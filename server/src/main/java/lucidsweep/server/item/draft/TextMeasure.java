package lucidsweep.server.item.draft;

import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.TextKey;

/** What tables sort and group a text by: px on a desktop, and the hash that alike texts share. */
public record TextMeasure(int px, long alike) {

    public static final TextMeasure NONE = new TextMeasure(0, 0);

    public static TextMeasure of(Field field, String text, Standard standard) {
        if (field != Field.TITLE && field != Field.DESCRIPTION && field != Field.TAGS) return NONE;
        Standard.TextLimits limits = field == Field.TITLE ? standard.title() : standard.description();
        int px = (int) Math.round(limits.desktop().width(text));
        return new TextMeasure(px, TextKey.hash(text));
    }
}
