package lucidsweep.core.standard;

import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import lucidsweep.core.alike.AlikeTexts;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.Slot;

/**
 * The limits and rules that a property's fields must meet. All limits of the job are data here, none is code.
 *
 * @param leadingWords a keyword is leading if it starts within so many first words
 * @param maxRepeats a word may stand so often in one title or description
 * @param generic titles that say nothing, compared as {@code TextKey.key} does
 * @param calls verbs that call somebody to do something, in small letters
 * @param settlingDays an item is too young to be judged by what it ranks for until so many days after it was published
 * @param pages limits of what else a page has
 * @param alike which texts are nearly the same, and which are a series
 * @param off the checks that are off, by their ids, such as "title same-as-h1"
 */
public record Standard(
        TextLimits title,
        TextLimits description,
        TagLimits tags,
        int leadingWords,
        int maxRepeats,
        List<String> generic,
        Set<String> calls,
        int settlingDays,
        Wording wording,
        Pages pages,
        Likeness alike,
        Set<String> off) {

    private static final Slot ANY_WIDTH = new Slot(20, 1_000_000, 1);

    /**
     * Limits of how a text is worded.
     *
     * @param maxPhrases a title with more phrases of up to three words is a list of keywords
     * @param maxEmoji in one text
     * @param openingChars within so many first characters a description has words of the title
     * @param maxSeries so many texts may be told apart by a place, a number or a name only
     * @param maxTitleWords of one title, and maxDescriptionWords of one description
     */
    public record Wording(
            int maxPhrases,
            int maxEmoji,
            int openingChars,
            int maxSeries,
            int maxTitleWords,
            int maxDescriptionWords) {}

    /**
     * Limits of what a page has besides its title and description.
     *
     * @param maxSlugChars of the last part of an address
     * @param maxAltChars of the alternative text of an image, in grapheme clusters
     * @param minInbound a page with so many inbound links is meant to be found
     */
    public record Pages(int maxSlugChars, int maxAltChars, int minInbound) {}

    /**
     * Which titles, and which descriptions, are nearly the same: titles are short, so that one word more is another title.
     *
     * @param endingShare an ending is common if at least this share of all titles has it, 0 to 1
     * @param endingPx … and it is at least so wide
     */
    public record Likeness(
            AlikeTexts.Limits titles, AlikeTexts.Limits descriptions, double endingShare, double endingPx) {

        /** Those of titles or descriptions. */
        public AlikeTexts.Limits of(Field field) {
            return field == Field.TITLE ? titles : descriptions;
        }
    }

    /** The limits of a text. An H1 has none; a slug only that of its characters. */
    public TextLimits limits(Field field) {
        return switch (field) {
            case TITLE -> title;
            case DESCRIPTION -> description;
            case H1, OG_TITLE, OG_DESCRIPTION, LINKS -> new TextLimits(ANY_WIDTH, ANY_WIDTH, Integer.MAX_VALUE, 0);
            case IMAGES -> new TextLimits(ANY_WIDTH, ANY_WIDTH, pages.maxAltChars(), 0);
            case SLUG -> new TextLimits(ANY_WIDTH, ANY_WIDTH, pages.maxSlugChars(), 0);
            default -> throw new IllegalArgumentException("there are no limits of the " + field.label());
        };
    }

    /** Limits of a text: two slots, a most in characters, and the least width in px of the desktop's slot. */
    public record TextLimits(Slot desktop, Slot phone, int maxChars, double minPx) {

        /** Whether a text passes every upper limit. */
        public boolean fits(String text, int chars) {
            if (chars > maxChars) return false;
            Width width = width(text);
            return width.desktopOver() == 0 && width.phoneOver() == 0;
        }

        /** The width of a text in both slots, measured once: they show the same face, each at its size. */
        public Width width(String text) {
            double px = desktop.width(text);
            double phonePx = px * phone.sizePx() / desktop.sizePx();
            return new Width(px, Math.max(0, px - desktop.limitPx()), Math.max(0, phonePx - phone.limitPx()));
        }
    }

    /**
     * How wide a text is.
     *
     * @param px on a desktop
     * @param desktopOver by how many px it is too wide there; 0 where it fits
     * @param phoneOver by how many px it is too wide on mobile, in px of the phone; 0 where it fits
     */
    public record Width(double px, double desktopOver, double phoneOver) {}

    /**
     * Limits of a tag set, in grapheme clusters.
     *
     * @param max how many
     * @param maxChars how long each
     * @param maxTotalChars how long all together, as {@link #chars} counts
     */
    public record TagLimits(int max, int maxChars, int maxTotalChars) {

        /** Whether tags are no more and no longer than allowed. */
        public boolean fit(List<String> tags) {
            return tags.size() <= max
                    && tags.stream().allMatch(tag -> Graphemes.count(tag) <= maxChars)
                    && chars(tags) <= maxTotalChars;
        }

        /** How long tags are together, with a comma between each two: 9 for "boat" and "kits". */
        public static int chars(List<String> tags) {
            return tags.stream().mapToInt(Graphemes::count).sum() + Math.max(0, tags.size() - 1);
        }
    }

    /** What web pages are held to unless a property says otherwise. */
    public static Standard ofPages() {
        return new Standard(
                new TextLimits(new Slot(20, 580, 1), new Slot(18, 580, 2), 65, 200),
                new TextLimits(new Slot(14, 920, 2), new Slot(14, 700, 3), 165, 320),
                new TagLimits(13, 20, 500),
                5,
                2,
                List.copyOf(Language.of("en").generic()),
                Language.of("en").calls(),
                91,
                new Wording(3, 1, 60, 12, 12, 30),
                new Pages(75, 125, 10),
                new Likeness(new AlikeTexts.Limits(0.9, 3), new AlikeTexts.Limits(0.8, 3), 0.2, 120),
                Set.of(
                        "title brand-missing",
                        "title brand-first",
                        "title same-as-h1",
                        "title patterned",
                        "title too-many-words",
                        "description too-many-words",
                        "head shared-missing",
                        "description without-call",
                        "tags off-text",
                        "tags unsearched"));
    }

    /** The same with what says nothing in a language. */
    public Standard in(Language language) {
        List<String> both = Stream.concat(Language.of("en").generic().stream(), language.generic().stream())
                .distinct()
                .toList();
        return new Standard(
                title,
                description,
                tags,
                leadingWords,
                maxRepeats,
                both,
                language.calls(),
                settlingDays,
                wording,
                pages,
                alike,
                off);
    }

    /** What shop listings are held to: a long title, up to 13 tags of 20 characters. */
    public static Standard ofListings() {
        return ofPages()
                .with(
                        new TextLimits(new Slot(20, 1_300, 2), new Slot(18, 1_240, 3), 140, 240),
                        new TextLimits(new Slot(14, 7_000, 10), new Slot(14, 7_000, 14), 1_000, 320),
                        ofPages().tags,
                        new Wording(5, 3, 60, 12, 25, 300));
    }

    /**
     * What videos are held to: a title of up to 100 characters that is shown on two lines, a description of which the first lines
     * count, and tags of up to 500 characters together.
     */
    public static Standard ofVideos() {
        return ofPages()
                .with(
                        new TextLimits(new Slot(20, 900, 2), new Slot(18, 800, 3), 100, 200),
                        new TextLimits(new Slot(14, 30_000, 40), new Slot(14, 30_000, 60), 5_000, 320),
                        new TagLimits(15, 30, 500),
                        new Wording(4, 3, 60, 12, 18, 1_000));
    }

    private Standard with(TextLimits titles, TextLimits descriptions, TagLimits tagged, Wording words) {
        return new Standard(
                titles,
                descriptions,
                tagged,
                leadingWords,
                maxRepeats,
                generic,
                calls,
                settlingDays,
                words,
                pages,
                alike,
                off);
    }
}
