package lucidsweep.core.compose;

import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/** Whether a text keeps within the limits of its field. */
public final class FieldFit {

    private FieldFit() {}

    /**
     * Tags are held to theirs together, texts of images and links each by itself; the indexing switch has none.
     *
     * @param text tags and parts as {@link TagList} and {@link PartTexts} have them
     */
    public static boolean fits(Field field, String text, Standard standard) {
        if (field == Field.INDEXING) return true;
        if (field == Field.TAGS) return standard.tags().fit(TagList.of(text));
        Standard.TextLimits limits = standard.limits(field);
        if (!PartTexts.areOf(field)) return limits.fits(text, Graphemes.count(text));
        return PartTexts.of(text).stream()
                .allMatch(part -> part.text() == null || limits.fits(part.text(), Graphemes.count(part.text())));
    }
}
