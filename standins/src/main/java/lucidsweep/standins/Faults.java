package lucidsweep.standins;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Plants faults of every kind on the demo website and writes down which. */
final class Faults {

    private static final String LONG_ENDING = " | Tarrin Bay Kayaks: hire, tours and lessons";

    private static final int LONGEST = 150;

    /** Descriptions that are like no others, for pages whose wording is at fault. */
    private static final List<String> NOTES = List.of(
            "Ropes that nobody ties the same way twice, and why",
            "A morning with the harbour master and her dog on the quay",
            "Why we count the gulls before we look at the forecast",
            "Three ways to carry a boat over soft sand without help",
            "The day the tide forgot us, told by those who were there",
            "Glue, clamps and patience: a week in the long shed",
            "What the old lamp keeper wrote down each night at ten");

    private int wordings;

    private final Map<String, List<SitePage>> bySection = new HashMap<>();
    private final Map<String, Integer> next = new HashMap<>();
    private final List<Planted> planted = new ArrayList<>();

    Faults(List<SitePage> pages) {
        for (SitePage page : pages)
            bySection
                    .computeIfAbsent(page.section, section -> new ArrayList<>())
                    .add(page);
    }

    List<Planted> plant() {
        for (SitePage page : bySection.get("tours")) {
            if (page.path.equals("/tours/")) continue;
            page.titles.set(0, page.name + LONG_ENDING);
            note(page, "title", "common-ending");
            note(page, "title", "too-long");
        }
        plantTitles();
        plantDescriptions();
        plantHeadings();
        plantIndexing();
        plantWording();
        plantLikeness();
        plantMarkup();
        plantSite();
        return planted;
    }

    private void plantTitles() {
        SitePage home = bySection.get("").get(0);
        title(home, "Home", "generic", "too-short");
        title(take("legal"), "Untitled", "generic", "too-short");
        title(take("legal"), Sections.BRAND, "generic", "too-short");
        title(take("legal"), "Safety", "too-short");
        for (int i = 0; i < 5; i++) {
            SitePage page = take("shop");
            page.titles.clear();
            note(page, "title", "missing");
        }
        for (int i = 0; i < 3; i++) title(take("journal"), "", "empty");
        for (int i = 0; i < 3; i++) {
            SitePage page = take("boats");
            page.titles.add("A second title that a plug-in wrote");
            note(page, "title", "several");
        }
        for (int i = 0; i < 9; i++) title(take("shop"), "Kayaking accessories and clothing", "duplicate");
        for (int i = 0; i < 4; i++) {
            title(take("boats"), i < 2 ? "Wooden boats by Ines Calder" : "Hand-built boats in red cedar", "duplicate");
        }
        for (int i = 0; i < 6; i++) {
            SitePage page = take("journal");
            title(
                    page,
                    page.name + ", with everything we learned about it on this coast in thirty-five seasons",
                    "too-long");
        }
        for (int i = 0; i < 4; i++) {
            SitePage page = take("hire");
            title(page, "Hire, hire, hire: " + page.name, "repeated-word");
        }
    }

    private void plantDescriptions() {
        for (SitePage page : bySection.get("shop")) {
            page.descriptions.clear();
            note(page, "description", "missing");
        }
        for (int i = 0; i < 12; i++) {
            SitePage page = take("journal");
            page.descriptions.clear();
            note(page, "description", "missing");
        }
        for (int i = 0; i < 4; i++) description(take("journal"), "", "empty");
        for (int i = 0; i < 2; i++) {
            SitePage page = take("boats");
            page.descriptions.add("A second description that a plug-in wrote.");
            note(page, "description", "several");
        }
        for (int i = 0; i < 6; i++) {
            description(
                    take("lessons"),
                    "Learn to paddle with patient coaches in small groups, all year round.",
                    "duplicate");
        }
        for (int i = 0; i < 5; i++) {
            description(
                    take("workshop"),
                    "Make something with your hands in a warm shed that smells of cedar.",
                    "duplicate");
        }
        for (int i = 0; i < 10; i++) {
            SitePage page = take("boats");
            description(
                    page,
                    page.descriptions.get(0)
                            + " We have built boats on this slip since 1987, for people who row, sail, paddle or only look, and we will gladly build one for you too.",
                    "too-long");
        }
        for (int i = 0; i < 6; i++) description(take("hire"), "Hire a boat no. " + (i + 1) + ".", "too-short");
    }

    private void plantHeadings() {
        for (int i = 0; i < 5; i++) {
            SitePage page = take("workshop");
            page.h1s.clear();
            note(page, "h1", "missing");
        }
        for (int i = 0; i < 5; i++) {
            SitePage page = take("lessons");
            page.h1s.add("Book this lesson");
            note(page, "h1", "several");
        }
    }

    private void plantIndexing() {
        for (int i = 0; i < 2; i++) {
            SitePage page = take("journal");
            page.robots = "noindex, follow";
            note(page, "indexing", "not-indexable");
            note(page, "indexing", "in-sitemap");
        }
        SitePage byHeader = take("journal");
        byHeader.robotsHeader = "noindex";
        note(byHeader, "indexing", "not-indexable");
        note(byHeader, "indexing", "in-sitemap");
        for (int i = 0; i < 3; i++) {
            SitePage page = take("boats");
            page.canonical = "/boats/";
            note(page, "indexing", "not-indexable");
            note(page, "indexing", "canonical-other");
            note(page, "indexing", "in-sitemap");
        }
    }

    private void plantWording() {
        worded("all-capitals", "%s");
        worded("cut-by-author", "%s in the…");
        worded("template-text", "%s | {{site.name}}");
        worded("broken-encoding", "%s: donâ€™t miss");
        worded("markup", "%s <b>new</b>");
        worded("outdated-year", "%s in 2019");
        worded("emoji", "%s 🛶🛶");
        SitePage doubled = take("journal");
        title(doubled, Sections.BRAND + ": " + doubled.name + " | " + Sections.BRAND, "brand-doubled");
        title(
                take("hire"),
                "Kayak hire, canoe hire, boat hire, gear hire",
                "list-of-keywords",
                "repeated-word",
                "place-missing");
        SitePage twice = take("journal");
        description(twice, twice.titles.get(0), "same-as-title");
        note(twice, "description", "too-short");
        SitePage headless = take("workshop");
        headless.h1s.set(0, "");
        note(headless, "h1", "empty");
    }

    /** The boats are described by two sentences that only their names tell apart, but where something else was planted. */
    private void plantLikeness() {
        for (SitePage page : bySection.get("boats")) {
            boolean numbered =
                    page.name.matches(".*\\d.*") && page.descriptions.get(0).length() <= LONGEST;
            if (numbered && page.canonical.isEmpty()) note(page, "description", "patterned");
        }
        SitePage one = take("workshop");
        SitePage other = take("workshop");
        title(one, "What we learned about drying wetsuits in the rain", "near-duplicate");
        title(other, "What we learned about drying wetsuits in the rains", "near-duplicate");
        description(one, "Hang it inside out, under the fore deck, and never near the stove.", "near-duplicate");
        description(other, "Hang it inside out, under the fore deck, and never near the stoves.", "near-duplicate");
    }

    /** Faults of images, links and heads, each on a page of its own. */
    private void plantMarkup() {
        more("images", "missing", "<p><img src=\"/boat.svg\"></p>\n");
        more("images", "empty-in-link", "<p><a href=\"/hire/\"><img src=\"/boat.svg\" alt=\"\"></a></p>\n");
        more("images", "file-name", "<p><img src=\"/boat.svg\" alt=\"IMG_2041\"></p>\n");
        more(
                "images",
                "repeated",
                "<p><img src=\"/a.svg\" alt=\"Kayak\"><img src=\"/b.svg\" alt=\"Kayak\"><img src=\"/c.svg\" alt=\"Kayak\"></p>\n");
        more(
                "images",
                "too-long",
                "<p><img src=\"/boat.svg\" alt=\"" + "A kayak, an oar and a gull. ".repeat(6) + "\"></p>\n");
        more("links", "missing", "<p><a href=\"/tours/\"></a></p>\n");
        more("links", "generic", "<p><a href=\"/tours/\">Read more</a></p>\n");
        more("links", "ambiguous", "<p><a href=\"/hire/\">Prices</a> <a href=\"/tours/\">Prices</a></p>\n");
        head("obsolete-keywords", "<meta name=\"keywords\" content=\"kayak, boats, sea\">\n");
        head("shared-incomplete", "<meta property=\"og:description\" content=\"A day on the water\">\n");
        SitePage other = head(
                "shared-other",
                "<meta property=\"og:title\" content=\"Untitled document\"><meta property=\"og:description\" content=\"x\">\n");
        SitePage alone = take("journal");
        alone.head = "<link rel=\"alternate\" hreflang=\"de\" href=\"" + other.path + "\">\n";
        note(alone, "head", "no-return");
    }

    private void more(String field, String finding, String html) {
        SitePage page = take("journal");
        page.more = html;
        note(page, field, finding);
    }

    private SitePage head(String finding, String html) {
        SitePage page = take("journal");
        page.head = html;
        note(page, "head", finding);
        return page;
    }

    /** What pages say of each other, and texts in another language. */
    private void plantSite() {
        SitePage lost = take("journal");
        lost.canonical = "/lost-page";
        note(lost, "indexing", "not-indexable");
        note(lost, "indexing", "in-sitemap");
        note(lost, "indexing", "canonical-broken");
        SitePage terms = take("legal");
        terms.robots = "noindex";
        note(terms, "indexing", "not-indexable");
        note(terms, "indexing", "in-sitemap");
        note(terms, "indexing", "linked");
        SitePage one = take("journal");
        SitePage other = take("journal");
        one.h1s.set(0, "News from the slip");
        other.h1s.set(0, "News from the slip");
        note(one, "h1", "duplicate");
        note(other, "h1", "duplicate");
        SitePage before = take("legal");
        note(before, "slug", "stop-words");
        before.more = "<p>" + PageHtml.link(before.path + "?view=print", "Print this page") + "</p>\n";
        note(before, "slug", "several");
        SitePage german = take("journal");
        title(german, "Was die Robben von uns und wir von den Robben lernen", "other-language");
        description(
                take("journal"),
                "Wie die Flut in den Hafen kommt, und was wir an dem alten Steg von ihr über das Warten lernen.",
                "other-language");
    }

    /** Words a title and a description so that a check finds it, around the name of their page. */
    private void worded(String finding, String pattern) {
        SitePage page = take("journal");
        String name = finding.equals("all-capitals") ? page.name.toUpperCase(Locale.ROOT) : page.name;
        title(page, pattern.formatted(name), finding);
        SitePage other = take("journal");
        String own = NOTES.get(wordings++ % NOTES.size());
        String text = finding.equals("all-capitals") ? own.toUpperCase(Locale.ROOT) : own;
        description(other, pattern.formatted(text), finding);
    }

    /** The next page of a section that has no fault of its own yet; never the index of the section. */
    private SitePage take(String section) {
        int at = next.merge(section, 1, Integer::sum);
        return bySection.get(section).get(section.equals("legal") ? at - 1 : at);
    }

    private void title(SitePage page, String title, String... findings) {
        page.titles.set(0, title);
        for (String finding : findings) note(page, "title", finding);
    }

    private void description(SitePage page, String description, String finding) {
        page.descriptions.set(0, description);
        note(page, "description", finding);
    }

    private void note(SitePage page, String field, String finding) {
        planted.add(new Planted(page.path, field, finding));
    }
}
