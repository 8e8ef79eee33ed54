package lucidsweep.core.page;

import java.net.URI;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import lucidsweep.core.page.PageFacts.Link.Shows;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;

/**
 * Reads the facts of a page from its parsed markup, in one walk over the tree.
 *
 * <pre>{@code
 * PageFacts facts = PageReader.read(Jsoup.parse(html), address);
 * facts.titles();   // ["Kayak hire in Tarrin Bay"]
 * }</pre>
 */
public final class PageReader {

    private static final Pattern SPACE = Pattern.compile("\\s+");
    private static final int MAX_COPY = 100_000;
    private static final int MAX_LINKS = 5_000;
    private static final int MAX_IMAGES = 500;
    private static final int MAX_HEADINGS = 40;
    private static final int MIN_OPENING = 50;
    private static final int MAX_OPENING = 500;

    private static final int MAX_ALTERNATES = 100;
    private static final int MAX_STRUCTURED = 5;
    private static final int LONGEST_STRUCTURED = 50_000;

    private final List<String> titles = new ArrayList<>(1);
    private final List<String> straying = new ArrayList<>(1);
    private final List<PageFacts.Alternate> alternates = new ArrayList<>();
    private final List<String> structured = new ArrayList<>(1);
    private final List<String> descriptions = new ArrayList<>(1);
    private final List<String> h1s = new ArrayList<>(1);
    private final List<String> headings = new ArrayList<>();
    private final List<String> robots = new ArrayList<>(1);
    private final List<PageFacts.Image> images = new ArrayList<>();
    private final List<PageFacts.Link> links = new ArrayList<>();
    private final Map<String, Optional<PageAddress.Destination>> resolved = new HashMap<>();
    private final CopyText copy = new CopyText(MAX_COPY);
    private String canonical = "";
    private String metaKeywords = "";
    private String language = "";
    private String published = "";
    private String modified = "";
    private String opening = "";
    private String refresh = "";
    private String sharedTitle = "";
    private String sharedDescription = "";

    private URI base;
    private boolean baseSet;
    private final EnclosingElements around = new EnclosingElements();

    private PageReader(URI address) {
        base = address;
    }

    /** Reads a parsed page that was found at an address. */
    public static PageFacts read(Document page, URI address) {
        PageReader reader = new PageReader(address);
        reader.walk(page);
        return new PageFacts(
                // A title outside the head is the page's only where the head has none, and the first one then.
                reader.titles.isEmpty() ? reader.straying.stream().limit(1).toList() : reader.titles,
                reader.descriptions,
                reader.h1s,
                reader.headings,
                new PageFacts.Head(
                        reader.canonical,
                        String.join(", ", reader.robots),
                        reader.metaKeywords,
                        reader.language,
                        reader.published,
                        reader.modified,
                        reader.refresh),
                reader.images,
                reader.links,
                reader.copy.toString(),
                reader.opening,
                new PageFacts.Shared(reader.sharedTitle, reader.sharedDescription),
                reader.alternates,
                reader.structured);
    }

    /** Walks over the tree without recursion, however deep a page is nested. */
    private void walk(Element root) {
        Element[] path = new Element[32];
        int[] next = new int[32];
        int[] marks = new int[32];
        int depth = 0;
        path[0] = root;
        while (depth >= 0) {
            Element parent = path[depth];
            if (next[depth] == parent.childNodeSize()) {
                around.leave(marks[depth]);
                if (parent.isBlock() && !around.isUnseen()) copy.space();
                depth--;
                continue;
            }
            Node child = parent.childNode(next[depth]++);
            if (child instanceof Element element) {
                // What is in a template is no part of the page until a script puts it there.
                if (element.normalName().equals("template")) continue;
                depth++;
                if (depth == path.length) {
                    path = Arrays.copyOf(path, depth * 2);
                    next = Arrays.copyOf(next, depth * 2);
                    marks = Arrays.copyOf(marks, depth * 2);
                }
                path[depth] = element;
                next[depth] = 0;
                if (element.isBlock() && !around.isUnseen()) copy.space();
                marks[depth] = around.enter(element);
                read(element);
            } else if (child instanceof TextNode text && !around.isUnseen()) {
                copy.append(text.getWholeText());
            }
        }
    }

    private void read(Element element) {
        switch (element.normalName()) {
            case "html" -> language = element.attr("lang").strip();
            case "base" -> setBase(element);
            case "title" -> {
                if (!around.isDrawing()) (around.isHead() ? titles : straying).add(text(element));
            }
            case "script" -> {
                if (element.attr("type").equalsIgnoreCase("application/ld+json")) readStructured(element.data());
            }
            case "meta" -> readMeta(element);
            case "link" -> {
                if (canonical.isEmpty() && hasWord(element.attr("rel"), "canonical")) {
                    canonical = element.attr("href").strip();
                }
                if (element.hasAttr("hreflang") && alternates.size() < MAX_ALTERNATES) {
                    alternates.add(new PageFacts.Alternate(
                            element.attr("hreflang").strip(),
                            element.attr("href").strip()));
                }
            }
            case "h1" -> h1s.add(text(element));
            case "h2", "h3" -> {
                if (headings.size() < MAX_HEADINGS) headings.add(text(element));
            }
            case "p" -> readParagraph(element);
            case "br" -> {
                if (!around.isUnseen()) copy.space();
            }
            case "img" -> readImage(element);
            case "a", "area" -> readLink(element);
            case "time" -> {
                if (published.isEmpty()) published = element.attr("datetime").strip();
            }
            default -> {}
        }
    }

    private void readParagraph(Element paragraph) {
        if (!opening.isEmpty() || around.isUnseen() || around.isFrame()) return;
        String text = text(paragraph);
        if (text.length() >= MIN_OPENING) opening = text.substring(0, Math.min(text.length(), MAX_OPENING));
    }

    private void setBase(Element element) {
        if (baseSet || element.attr("href").isBlank()) return;
        PageAddress.resolve(base, element.attr("href")).ifPresent(address -> {
            base = address;
            baseSet = true;
        });
    }

    private void readMeta(Element meta) {
        String content = collapsed(meta.attr("content"));
        String name = meta.hasAttr("name") ? meta.attr("name") : meta.attr("property");
        switch (name.strip().toLowerCase(Locale.ROOT)) {
            case "description" -> {
                if (meta.hasAttr("content")) descriptions.add(content);
            }
            case "robots" -> robots.add(content);
            case "keywords" -> metaKeywords = content;
            case "og:title" -> sharedTitle = content;
            case "og:description" -> sharedDescription = content;
            case "article:published_time", "date", "dc.date", "dc.created" -> published = content;
            case "article:modified_time", "last-modified", "dc.modified" -> modified = content;
            default -> {}
        }
        if (meta.attr("http-equiv").equalsIgnoreCase("refresh")) {
            int at = content.toLowerCase(Locale.ROOT).indexOf("url=");
            if (at >= 0) refresh = content.substring(at + 4).replaceAll("^['\"]|['\"]$", "");
        }
    }

    private void readStructured(String data) {
        if (structured.size() < MAX_STRUCTURED && data.length() <= LONGEST_STRUCTURED) structured.add(data);
    }

    private void readImage(Element image) {
        if (images.size() >= MAX_IMAGES) return;
        String alt = image.hasAttr("alt") ? collapsed(image.attr("alt")) : null;
        images.add(new PageFacts.Image(image.attr("src"), alt));
        if (alt != null && around.isLink() && !around.isUnseen()) copy.append(" " + alt + " ");
    }

    private void readLink(Element link) {
        String to = link.attr("href").strip();
        if (links.size() >= MAX_LINKS || to.isEmpty() || to.startsWith("#")) return;
        int fragment = to.indexOf('#');
        String target = fragment < 0 ? to : to.substring(0, fragment);
        resolved.computeIfAbsent(target, address -> PageAddress.destination(base, address))
                .ifPresent(destination -> links.add(link(link, destination)));
    }

    private PageFacts.Link link(Element link, PageAddress.Destination to) {
        boolean nofollow = hasWord(link.attr("rel"), "nofollow");
        String text = text(link);
        if (!text.isEmpty()) return new PageFacts.Link(to, text, Shows.WORDS, nofollow, around.place());
        Element image = link.selectFirst("img[alt]");
        String alt = image == null ? "" : collapsed(image.attr("alt"));
        return new PageFacts.Link(to, alt, shows(link), nofollow, around.place());
    }

    private static Shows shows(Element link) {
        boolean labelled =
                !link.attr("aria-label").isBlank() || !link.attr("title").isBlank();
        if (labelled || link.selectFirst("svg, [aria-label]") != null) return Shows.LABEL;
        return link.selectFirst("img") == null ? Shows.NOTHING : Shows.PICTURE;
    }

    private static boolean hasWord(String list, String word) {
        if (list.isEmpty()) return false;
        for (String each : SPACE.split(list)) {
            if (each.equalsIgnoreCase(word)) return true;
        }
        return false;
    }

    /** The text in an element, however deep; most hold one piece of text and nothing else. */
    private static String text(Element element) {
        boolean plain = element.childNodeSize() == 1 && element.childNode(0) instanceof TextNode;
        return collapsed(plain ? ((TextNode) element.childNode(0)).getWholeText() : element.wholeText());
    }

    private static String collapsed(String text) {
        if (isCollapsed(text)) return text;
        StringBuilder tidy = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (!CopyText.isSpace(c)) tidy.append(c);
            else if (tidy.length() > 0 && tidy.charAt(tidy.length() - 1) != ' ') tidy.append(' ');
        }
        if (tidy.length() > 0 && tidy.charAt(tidy.length() - 1) == ' ') tidy.setLength(tidy.length() - 1);
        return tidy.toString();
    }

    private static boolean isCollapsed(String text) {
        boolean afterSpace = true;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean space = CopyText.isSpace(c);
            if (space && (afterSpace || c != ' ')) return false;
            afterSpace = space;
        }
        return text.isEmpty() || !afterSpace;
    }
}
