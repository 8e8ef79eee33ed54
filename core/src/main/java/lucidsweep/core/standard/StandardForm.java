package lucidsweep.core.standard;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import lucidsweep.core.alike.AlikeTexts;
import lucidsweep.core.text.Slot;

/**
 * What a consultant sets of a standard; a part that is null is that of the ready-made standard. The sizes of the letters on
 * result pages cannot be set.
 *
 * @param generic titles that say nothing
 * @param calls verbs that call somebody to do something
 * @param off the checks that are off, by their ids, such as "title same-as-h1"
 */
public record StandardForm(
        Text title,
        Text description,
        Tags tags,
        Wording wording,
        Pages pages,
        Likeness likeness,
        List<String> generic,
        List<String> calls,
        Integer settlingDays,
        Set<String> off) {

    /** Limits of a title or description. */
    public record Text(Integer desktopPx, Integer mobilePx, Integer maxChars, Integer minPx) {}

    /** Limits of a tag set. */
    public record Tags(Integer max, Integer maxChars, Integer maxTotalChars) {}

    /**
     * Limits of how a text is worded.
     *
     * @param leadingWords a keyword is to start within so many first words
     * @param maxRepeats a word may stand so often in one text
     * @param maxPhrases a title with more phrases of up to three words is a list of keywords
     * @param maxEmoji in one text
     * @param openingChars within so many first characters a description has words of the title
     * @param maxTitleWords of one title, and maxDescriptionWords of one description
     */
    public record Wording(
            Integer leadingWords,
            Integer maxRepeats,
            Integer maxPhrases,
            Integer maxEmoji,
            Integer openingChars,
            Integer maxTitleWords,
            Integer maxDescriptionWords) {

        private static final Wording NOTHING = new Wording(null, null, null, null, null, null, null);

        private Wording differingFrom(Wording whole) {
            Wording own = new Wording(
                    own(leadingWords, whole.leadingWords),
                    own(maxRepeats, whole.maxRepeats),
                    own(maxPhrases, whole.maxPhrases),
                    own(maxEmoji, whole.maxEmoji),
                    own(openingChars, whole.openingChars),
                    own(maxTitleWords, whole.maxTitleWords),
                    own(maxDescriptionWords, whole.maxDescriptionWords));
            return orNull(own, NOTHING);
        }
    }

    /**
     * Limits of what a page has besides its title and description.
     *
     * @param maxSlugChars of the last part of an address
     * @param maxAltChars of the alternative text of an image
     * @param minInbound a page with so many inbound links is meant to be found
     */
    public record Pages(Integer maxSlugChars, Integer maxAltChars, Integer minInbound) {

        private Pages differingFrom(Pages whole) {
            Pages own = new Pages(
                    own(maxSlugChars, whole.maxSlugChars),
                    own(maxAltChars, whole.maxAltChars),
                    own(minInbound, whole.minInbound));
            return orNull(own, new Pages(null, null, null));
        }
    }

    /**
     * What is too much alike.
     *
     * @param nearTitles, nearDescriptions texts with at least this share of their runs of four letters in common, 0 to 1
     * @param maxSeries so many texts may be told apart by a place, a number or a name only
     * @param endingShare an ending of at least this share of all titles is common, 0 to 1
     * @param endingPx … and of at least this width
     */
    public record Likeness(
            Double nearTitles, Double nearDescriptions, Integer maxSeries, Double endingShare, Integer endingPx) {

        private Likeness differingFrom(Likeness whole) {
            Likeness own = new Likeness(
                    own(nearTitles, whole.nearTitles),
                    own(nearDescriptions, whole.nearDescriptions),
                    own(maxSeries, whole.maxSeries),
                    own(endingShare, whole.endingShare),
                    own(endingPx, whole.endingPx));
            return orNull(own, new Likeness(null, null, null, null, null));
        }
    }

    private static final int MAX_PX = 30_000;
    private static final int MAX_CHARS = 100_000;
    private static final int MAX_COUNT = 1_000;
    private static final int MAX_GENERIC = 2_000;

    /** All that can be set of a standard. */
    public static StandardForm of(Standard standard) {
        return new StandardForm(
                text(standard.title()),
                text(standard.description()),
                new Tags(
                        standard.tags().max(),
                        standard.tags().maxChars(),
                        standard.tags().maxTotalChars()),
                new Wording(
                        standard.leadingWords(),
                        standard.maxRepeats(),
                        standard.wording().maxPhrases(),
                        standard.wording().maxEmoji(),
                        standard.wording().openingChars(),
                        standard.wording().maxTitleWords(),
                        standard.wording().maxDescriptionWords()),
                new Pages(
                        standard.pages().maxSlugChars(),
                        standard.pages().maxAltChars(),
                        standard.pages().minInbound()),
                new Likeness(
                        standard.alike().titles().near(),
                        standard.alike().descriptions().near(),
                        standard.wording().maxSeries(),
                        standard.alike().endingShare(),
                        (int) Math.round(standard.alike().endingPx())),
                standard.generic(),
                List.copyOf(standard.calls()),
                standard.settlingDays(),
                new LinkedHashSet<>(standard.off()));
    }

    private static Text text(Standard.TextLimits limits) {
        return new Text(
                (int) Math.round(limits.desktop().limitPx()),
                (int) Math.round(limits.phone().limitPx()),
                limits.maxChars(),
                (int) Math.round(limits.minPx()));
    }

    /** The standard with what is set here, and everything else of a ready-made one. */
    public Standard over(Standard ready) {
        Wording words = wording == null ? Wording.NOTHING : wording;
        Pages page = pages == null ? new Pages(null, null, null) : pages;
        Likeness alike = likeness == null ? new Likeness(null, null, null, null, null) : likeness;
        return new Standard(
                text(title, ready.title()),
                text(description, ready.description()),
                tags == null
                        ? ready.tags()
                        : new Standard.TagLimits(
                                or(tags.max, ready.tags().max()),
                                or(tags.maxChars, ready.tags().maxChars()),
                                or(tags.maxTotalChars, ready.tags().maxTotalChars())),
                or(words.leadingWords, ready.leadingWords()),
                or(words.maxRepeats, ready.maxRepeats()),
                generic == null ? ready.generic() : List.copyOf(generic),
                calls == null ? ready.calls() : small(calls),
                or(settlingDays, ready.settlingDays()),
                new Standard.Wording(
                        or(words.maxPhrases, ready.wording().maxPhrases()),
                        or(words.maxEmoji, ready.wording().maxEmoji()),
                        or(words.openingChars, ready.wording().openingChars()),
                        or(alike.maxSeries, ready.wording().maxSeries()),
                        or(words.maxTitleWords, ready.wording().maxTitleWords()),
                        or(words.maxDescriptionWords, ready.wording().maxDescriptionWords())),
                new Standard.Pages(
                        or(page.maxSlugChars, ready.pages().maxSlugChars()),
                        or(page.maxAltChars, ready.pages().maxAltChars()),
                        or(page.minInbound, ready.pages().minInbound())),
                new Standard.Likeness(
                        near(alike.nearTitles, ready.alike().titles()),
                        near(alike.nearDescriptions, ready.alike().descriptions()),
                        or(alike.endingShare, ready.alike().endingShare()),
                        alike.endingPx == null ? ready.alike().endingPx() : alike.endingPx),
                off == null ? ready.off() : Set.copyOf(off));
    }

    /** Only what is set otherwise here than in a whole standard: what is null in it follows that when it changes. */
    public StandardForm differingFrom(StandardForm whole) {
        return new StandardForm(
                text(title, whole.title),
                text(description, whole.description),
                tags == null
                        ? null
                        : orNull(
                                new Tags(
                                        own(tags.max, whole.tags.max),
                                        own(tags.maxChars, whole.tags.maxChars),
                                        own(tags.maxTotalChars, whole.tags.maxTotalChars)),
                                new Tags(null, null, null)),
                wording == null ? null : wording.differingFrom(whole.wording),
                pages == null ? null : pages.differingFrom(whole.pages),
                likeness == null ? null : likeness.differingFrom(whole.likeness),
                own(generic, whole.generic),
                own(calls, whole.calls),
                own(settlingDays, whole.settlingDays),
                own(off, whole.off));
    }

    private static Set<String> small(List<String> words) {
        Set<String> small = new LinkedHashSet<>();
        for (String word : words) small.add(word.strip().toLowerCase(Locale.ROOT));
        small.remove("");
        return small;
    }

    private static Text text(Text set, Text whole) {
        if (set == null) return null;
        Text own = new Text(
                own(set.desktopPx, whole.desktopPx),
                own(set.mobilePx, whole.mobilePx),
                own(set.maxChars, whole.maxChars),
                own(set.minPx, whole.minPx));
        return orNull(own, new Text(null, null, null, null));
    }

    private static <T> T own(T set, T other) {
        return Objects.equals(set, other) ? null : set;
    }

    private static <T> T orNull(T part, T empty) {
        return part.equals(empty) ? null : part;
    }

    /** Whether nothing is set. */
    public boolean setsNothing() {
        return equals(new StandardForm(null, null, null, null, null, null, null, null, null, null));
    }

    private static Standard.TextLimits text(Text set, Standard.TextLimits ready) {
        if (set == null) return ready;
        return new Standard.TextLimits(
                slot(set.desktopPx, ready.desktop()),
                slot(set.mobilePx, ready.phone()),
                or(set.maxChars, ready.maxChars()),
                set.minPx == null ? ready.minPx() : set.minPx);
    }

    private static Slot slot(Integer px, Slot ready) {
        return px == null ? ready : new Slot(ready.sizePx(), px, ready.lines());
    }

    private static AlikeTexts.Limits near(Double set, AlikeTexts.Limits ready) {
        return set == null ? ready : new AlikeTexts.Limits(set, ready.series());
    }

    private static <T> T or(T set, T ready) {
        return set == null ? ready : set;
    }

    /**
     * What cannot be used of it, in words; nothing where all can.
     *
     * @param checks the ids of all checks there are
     */
    public List<String> problems(Set<String> checks) {
        List<String> problems = new ArrayList<>();
        text("title", title, problems);
        text("description", description, problems);
        if (tags != null) {
            within("tags.max", tags.max, 0, MAX_COUNT, problems);
            within("tags.maxChars", tags.maxChars, 1, MAX_COUNT, problems);
            within("tags.maxTotalChars", tags.maxTotalChars, 1, MAX_CHARS, problems);
        }
        if (wording != null) {
            within("wording.leadingWords", wording.leadingWords, 1, MAX_COUNT, problems);
            within("wording.maxRepeats", wording.maxRepeats, 1, MAX_COUNT, problems);
            within("wording.maxPhrases", wording.maxPhrases, 1, MAX_COUNT, problems);
            within("wording.maxEmoji", wording.maxEmoji, 0, MAX_COUNT, problems);
            within("wording.openingChars", wording.openingChars, 1, MAX_CHARS, problems);
            within("wording.maxTitleWords", wording.maxTitleWords, 1, MAX_CHARS, problems);
            within("wording.maxDescriptionWords", wording.maxDescriptionWords, 1, MAX_CHARS, problems);
        }
        if (pages != null) {
            within("pages.maxSlugChars", pages.maxSlugChars, 1, MAX_CHARS, problems);
            within("pages.maxAltChars", pages.maxAltChars, 1, MAX_CHARS, problems);
            within("pages.minInbound", pages.minInbound, 1, MAX_CHARS, problems);
        }
        if (likeness != null) {
            within("likeness.nearTitles", likeness.nearTitles, 0.5, 1, problems);
            within("likeness.nearDescriptions", likeness.nearDescriptions, 0.5, 1, problems);
            within("likeness.maxSeries", likeness.maxSeries, 1, MAX_CHARS, problems);
            within("likeness.endingShare", likeness.endingShare, 0.01, 1, problems);
            within("likeness.endingPx", likeness.endingPx, 0, MAX_PX, problems);
        }
        within("settlingDays", settlingDays, 0, MAX_COUNT, problems);
        if (generic != null && generic.size() > MAX_GENERIC) {
            problems.add("generic: expected " + MAX_GENERIC + " titles at most, got " + generic.size());
        }
        if (calls != null && calls.size() > MAX_GENERIC) {
            problems.add("calls: expected " + MAX_GENERIC + " words at most, got " + calls.size());
        }
        if (off != null) {
            off.stream()
                    .filter(id -> !checks.contains(id))
                    .forEach(id -> problems.add("off: there is no check \"" + id + "\""));
        }
        return problems;
    }

    private static void text(String name, Text set, List<String> problems) {
        if (set == null) return;
        within(name + ".desktopPx", set.desktopPx, 1, MAX_PX, problems);
        within(name + ".mobilePx", set.mobilePx, 1, MAX_PX, problems);
        within(name + ".maxChars", set.maxChars, 1, MAX_CHARS, problems);
        within(name + ".minPx", set.minPx, 0, MAX_PX, problems);
        if (set.minPx != null && set.desktopPx != null && set.minPx > set.desktopPx) {
            problems.add(name + ".minPx: expected no more than desktopPx, " + set.desktopPx + ", got " + set.minPx);
        }
    }

    private static void within(String name, Number value, double min, double max, List<String> problems) {
        if (value == null || value.doubleValue() >= min && value.doubleValue() <= max) return;
        problems.add(name + ": expected a number from " + plain(min) + " to " + plain(max) + ", got " + value);
    }

    private static String plain(double number) {
        return number == Math.rint(number) ? String.valueOf((long) number) : String.valueOf(number);
    }
}
