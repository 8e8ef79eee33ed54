package lucidsweep.server.release.review;

import jakarta.annotation.Nullable;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import lucidsweep.core.item.Field;

/**
 * What a client is asked to decide about. It has nothing but the texts in question.
 *
 * @param sheet its id, by which what comes back is known
 * @param made the day
 */
record ReviewSheet(String sheet, String client, String property, String made, List<Text> texts) {

    /**
     * A text before and after.
     *
     * @param id of its field; as text, since numbers of this size are not kept whole by all that read JSON
     * @param before what is there now
     * @param reword whether the client may give it another wording
     * @param drawn how both are drawn at true measure; null for texts that result pages do not show
     */
    record Text(
            String id,
            String address,
            String section,
            Field field,
            String label,
            String before,
            String after,
            boolean reword,
            @Nullable Drawn drawn) {}

    private static final Set<Field> REWORDED =
            EnumSet.of(Field.TITLE, Field.DESCRIPTION, Field.TAGS, Field.H1, Field.OG_TITLE, Field.OG_DESCRIPTION);

    /** Whether a client may give a field another wording: not what machines go by, nor lists of texts. */
    static boolean mayReword(Field field) {
        return REWORDED.contains(field);
    }

    /**
     * The place on a result page.
     *
     * @param size of the letters in px
     * @param width of a line in px
     * @param before, after how much of each text a desktop shows, in UTF-16 units
     */
    record Drawn(double size, double width, int lines, int before, int after) {}

    /** What a client says of a text. */
    enum Decision {
        APPROVE,
        SEND_BACK,
        REWORD
    }

    /**
     * What came back of one text.
     *
     * @param text the client's own wording; null where it has none
     * @param note "" for none
     */
    record Decided(
            long fieldId, Decision decision, @Nullable String text, String note) {}
}
