package lucidsweep.server.gather.crawl;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.util.List;
import lucidsweep.core.finding.PageNotes;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Indexing;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.page.PageReader;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.item.capture.CapturedItem;
import org.jsoup.Jsoup;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;

/** Makes an item of a page's answer. */
final class PageCapture {

    private static final int MAX_ELEMENTS = 20;
    private static final int LONGEST_TEXT = 20_000;
    private static final int MAX_LINKS_STORED = 2_000;
    private static final int USUAL_LINK = 80;

    private final JsonMapper json;
    private final ObjectWriter pages;
    private final Standard standard;
    private final boolean keepsSource;

    PageCapture(JsonMapper json, Standard standard, boolean keepsSource) {
        this.json = json;
        pages = json.writerFor(CapturedPage.class);
        this.standard = standard;
        this.keepsSource = keepsSource;
    }

    static PageFacts read(Fetched answer, URI address) {
        try {
            return PageReader.read(
                    Jsoup.parse(
                            new ByteArrayInputStream(answer.body()),
                            WebEncoding.ofPage(answer.charset(), answer.body()),
                            address.toString()),
                    address);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    CapturedItem item(
            long propertyId,
            long sweepId,
            URI uri,
            Fetched answer,
            PageFacts facts,
            List<ScriptChange> scripts,
            int depth,
            boolean blocked) {
        String address = uri.toString();
        String robots = facts.head().robots().isEmpty() || answer.robots().isEmpty()
                ? facts.head().robots() + answer.robots()
                : facts.head().robots() + ", " + answer.robots();
        CapturedPage stored = new CapturedPage(
                new CapturedPage.Texts(
                        clipped(facts.titles(), LONGEST_TEXT),
                        clipped(facts.descriptions(), LONGEST_TEXT),
                        clipped(facts.h1s(), 1_000),
                        facts.headings().stream()
                                .map(heading -> clip(heading, 300))
                                .toList()),
                new CapturedPage.Head(
                        clip(facts.head().canonical(), 2_000),
                        clip(robots, 500),
                        clip(facts.head().metaKeywords(), 2_000),
                        clip(facts.head().published(), 60),
                        clip(facts.head().modified(), 60)),
                blocked,
                facts.images().stream()
                        .map(image -> new PageFacts.Image(
                                clip(image.address(), 300), image.alt() == null ? null : clip(image.alt(), 300)))
                        .toList(),
                new PageFacts.Shared(
                        clip(facts.shared().title(), 1_000), clip(facts.shared().description(), 2_000)),
                facts.alternates().stream()
                        .map(each -> new PageFacts.Alternate(clip(each.language(), 20), clip(each.address(), 300)))
                        .toList(),
                StructuredData.of(facts.structured(), json),
                scripts);
        return new CapturedItem(
                propertyId,
                sweepId,
                address,
                address,
                clip(PageAddress.section(address), 300),
                noindex(address, answer.status(), robots, facts.head().canonical(), blocked),
                new CapturedItem.Page(
                        answer.status(),
                        clip(answer.contentType(), 200),
                        clip(facts.h1s().isEmpty() ? "" : facts.h1s().get(0), 2_000),
                        facts.h1s().size(),
                        clip(facts.head().canonical(), 2_000),
                        clip(robots, 500),
                        clip(facts.head().language(), 50),
                        facts.opening(),
                        PageNotes.of(facts, address),
                        depth),
                new CapturedItem.Listing(
                        "",
                        clip(
                                facts.head().published().isEmpty()
                                        ? stored.structured().published()
                                        : facts.head().published(),
                                40),
                        clip(facts.head().modified(), 40),
                        null,
                        null),
                text(Field.TITLE, facts.titles()),
                text(Field.DESCRIPTION, facts.descriptions()),
                null,
                CapturedItem.Content.ofPage(
                        pages.writeValueAsString(stored),
                        facts.titles() + "\n" + facts.descriptions() + "\n" + facts.h1s(),
                        facts.copy(),
                        links(facts, uri),
                        keepsSource ? answer.body() : null));
    }

    private static Noindex noindex(String address, int status, String robots, String canonical, boolean blocked) {
        if (blocked) return new Noindex(Noindex.Reason.BLOCKED, "");
        return Indexing.noindex(address, status, robots, canonical)
                .map(why -> new Noindex(why.reason(), clip(why.detail(), 2_200)))
                .orElse(null);
    }

    private CapturedItem.Text text(Field field, List<String> found) {
        String text = found.isEmpty() ? "" : clip(found.get(0), LONGEST_TEXT);
        return CapturedItem.Text.of(field, found.size(), text, standard);
    }

    /** A page that sends its reader on by itself links to where it sends. */
    private static String links(PageFacts facts, URI address) {
        List<PageFacts.Link> links = facts.links();
        if (links.size() > MAX_LINKS_STORED) links = links.subList(0, MAX_LINKS_STORED);
        StringBuilder lines = new StringBuilder(links.size() * USUAL_LINK);
        if (!facts.head().refresh().isEmpty()) {
            PageAddress.resolve(address, facts.head().refresh())
                    .ifPresent(to -> lines.append(to).append("\t\tc\n"));
        }
        for (PageFacts.Link link : links) {
            lines.append(link.address())
                    .append('\t')
                    .append(clip(link.text(), 200))
                    .append('\t')
                    .append(mark(link.place()))
                    .append(link.nofollow() ? "-\n" : "\n");
        }
        return lines.toString();
    }

    private static char mark(PageFacts.Place place) {
        return switch (place) {
            case COPY -> 'c';
            case NAVIGATION -> 'n';
            case FOOTER -> 'f';
        };
    }

    private static List<String> clipped(List<String> texts, int max) {
        return texts.stream().limit(MAX_ELEMENTS).map(text -> clip(text, max)).toList();
    }

    private static String clip(String text, int max) {
        return text.length() <= max ? text : text.substring(0, max);
    }
}
