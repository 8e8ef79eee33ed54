package lucidsweep.server.item.table;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.util.List;
import java.util.Map;
import lucidsweep.core.finding.EvidenceMarks;
import lucidsweep.core.finding.Fix;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.WordDifference;

/**
 * An item as tables show it.
 *
 * @param heldTo the names of the sets whose standards go before the property's, the first one first
 * @param aim null where nothing was worked out or decided
 */
public record ItemRow(
        long id,
        String address,
        String section,
        @JsonUnwrapped Page page,
        @JsonUnwrapped Listing listing,
        @JsonUnwrapped Indexing indexing,
        List<String> heldTo,
        @JsonUnwrapped Texts texts,
        @Nullable Aim aim,
        List<Finding> findings) {

    /**
     * The fields that can be drafted.
     *
     * @param tags null where the item has none by nature
     * @param heading its H1; null where it is no page, as slug and indexing are
     * @param images its alt texts, a line each as {@link lucidsweep.core.item.PartTexts} has them; null where it has no image
     *     or they were not asked for, as all that follow
     * @param links the texts of the links in its copy
     */
    public record Texts(
            Cell title,
            Cell description,
            @Nullable Cell tags,
            @Nullable Cell heading,
            @Nullable Cell slug,
            @Nullable Cell indexing,
            @Nullable Cell images,
            @Nullable Cell links,
            @Nullable Cell ogTitle,
            @Nullable Cell ogDescription) {

        static Texts of(Map<Field, Cell> cells) {
            return new Texts(
                    cells.get(Field.TITLE),
                    cells.get(Field.DESCRIPTION),
                    cells.get(Field.TAGS),
                    cells.get(Field.H1),
                    cells.get(Field.SLUG),
                    cells.get(Field.INDEXING),
                    cells.get(Field.IMAGES),
                    cells.get(Field.LINKS),
                    cells.get(Field.OG_TITLE),
                    cells.get(Field.OG_DESCRIPTION));
        }
    }

    public Cell title() {
        return texts.title;
    }

    public Cell description() {
        return texts.description;
    }

    /** Null where the item has none by nature. */
    public Cell tags() {
        return texts.tags;
    }

    /** The text in force of a field that only pages have; "" of other items. */
    String textOfPage(Field field) {
        Cell cell = switch (field) {
            case H1 -> texts.heading;
            case SLUG -> texts.slug;
            case IMAGES -> texts.images;
            case LINKS -> texts.links;
            case OG_TITLE -> texts.ogTitle;
            case OG_DESCRIPTION -> texts.ogDescription;
            default -> texts.indexing;
        };
        return cell == null ? "" : cell.text();
    }

    /**
     * Whether search engines may list it.
     *
     * @param noindexReason why not, and noindex in words; null where they may
     */
    public record Indexing(
            @Nullable Noindex.Reason noindexReason,
            @Nullable String noindex) {

        static Indexing of(Noindex why) {
            return why == null ? new Indexing(null, null) : new Indexing(why.reason(), why.words());
        }
    }

    /**
     * What a crawl says of a page.
     *
     * @param h1Count -1 where the item has none by nature
     * @param depth links away from the start; -1 where no link leads there
     */
    public record Page(int status, String h1, int h1Count, String canonical, String robots, int depth, int linksIn) {}

    /**
     * What the row of a file says of an item.
     *
     * @param published the day it was published; "" where that is not known
     * @param views how often it was looked at; null where that is not known
     */
    public record Listing(
            String price,
            String published,
            @Nullable Long views,
            @Nullable Long favourites) {}

    /**
     * A field.
     *
     * @param captured what the last sweep saw
     * @param draft the proposed text; null where there is none
     * @param state of the draft; null where there is none
     * @param kept why it stays as it is; null where it may change
     * @param lacks the keyword's words that the text in force lacks
     * @param change from the captured text to the draft; null where there is no draft or nobody asked
     */
    public record Cell(
            String captured,
            @Nullable String draft,
            @Nullable DraftState state,
            @Nullable String kept,
            @Nullable LimitCheck fit,
            List<String> lacks,
            @Nullable TextChange change) {

        /** How much of the text passes every limit, in UTF-16 units. */
        int fitting() {
            return fit == null ? text().length() : fit.fitting();
        }

        /** The text in force. */
        public String text() {
            return draft == null ? captured : draft;
        }
    }

    /**
     * What a draft changes.
     *
     * @param words what became of the text, word by word
     * @param captured how the captured text fits; null where the standard has no limits for the field
     */
    public record TextChange(
            List<WordDifference.WordRun> words, @Nullable LimitCheck captured) {

        static TextChange of(ItemLine.Text text, Standard.TextLimits limits) {
            return new TextChange(
                    WordDifference.of(text.captured(), text.draft()),
                    limits == null ? null : LimitCheck.of(text.captured(), limits));
        }
    }

    /**
     * What else rows have where it is asked for.
     *
     * @param parts the texts of images and links, and what pages are shared as
     * @param changes what drafts change
     */
    public record Details(boolean parts, boolean changes) {

        public static final Details NONE = new Details(false, false);
    }

    /** The keyword an item aims at; keywordId is null where it was cleared by hand. */
    public record Aim(
            @Nullable Long keywordId,
            @Nullable String keyword,
            @Nullable Long volume,
            boolean byHand,
            double score,
            String reason) {}

    /**
     * A finding in short.
     *
     * @param check its code
     * @param limit that the item is held to, in words; "" where there is none
     * @param fix the tool that fixes it
     * @param marks where in the text in force that stands of which the evidence speaks
     * @param stake the clicks a month that fixing it could win
     */
    public record Finding(
            Field field,
            String check,
            String evidence,
            String limit,
            Fix fix,
            List<EvidenceMarks.Stretch> marks,
            Stake stake) {}
}
