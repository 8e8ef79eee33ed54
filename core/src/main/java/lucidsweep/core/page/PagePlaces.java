package lucidsweep.core.page;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.UnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Element;
import org.jsoup.nodes.Range;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;

/** Where in the markup of a page its texts stand, or would stand. */
final class PagePlaces {

    private static final Map<Field, String> META = Map.of(
            Field.DESCRIPTION, "name=\"description\"",
            Field.INDEXING, "name=\"robots\"",
            Field.OG_TITLE, "property=\"og:title\"",
            Field.OG_DESCRIPTION, "property=\"og:description\"");

    private static final Pattern NO_VALUE = Pattern.compile("\\s*=\\s*(?:\"\"|'')");

    private final String markup;
    private final Document page;

    private PagePlaces(String markup, Document page) {
        this.markup = markup;
        this.page = page;
    }

    static PagePlaces of(String markup) {
        return new PagePlaces(
                markup, Jsoup.parse(markup, "", Parser.htmlParser().setTrackPosition(true)));
    }

    /** A stretch of the markup and what it becomes; an empty stretch is a place where something is put in. */
    record Change(int from, int to, String text) {

        /** Two that are put in at one place. */
        Change then(Change other) {
            return new Change(from, Math.max(to, other.to), text + other.text);
        }
    }

    /**
     * What has to be changed.
     *
     * @param encoded makes a text fit for markup
     */
    Change change(Field field, String text, UnaryOperator<String> encoded) {
        return switch (field) {
            case TITLE -> title(encoded.apply(text));
            case H1 -> h1(encoded.apply(text));
            default -> meta(field, text, encoded);
        };
    }

    private Change title(String text) {
        List<Element> titles = page.select("title").stream()
                .filter(title -> isPartOfPage(title) && title.closest("svg, math") == null)
                .toList();
        Element title = titles.stream()
                .filter(each -> each.closest("head") != null)
                .findFirst()
                .orElse(titles.isEmpty() ? null : titles.get(0));
        return title == null ? added("<title>" + text + "</title>") : content(title, text, "title");
    }

    private Change h1(String text) {
        Element h1 = page.select("h1").stream()
                .filter(PagePlaces::isPartOfPage)
                .findFirst()
                .orElseThrow(() -> new PageSource.Unwritable("it has no H1, and where one belongs nobody has said"));
        if (!h1.childNodes().stream().allMatch(TextNode.class::isInstance)) {
            throw new PageSource.Unwritable("its H1 has other elements in it");
        }
        return content(h1, text, "H1");
    }

    private Change content(Element element, String text, String what) {
        Range closing = element.endSourceRange();
        if (!closing.isTracked() || closing.endPos() == closing.startPos()) {
            throw new PageSource.Unwritable("its " + what + " is not closed");
        }
        // Where the closing tag of a title begins the parser does not say rightly; where it ends it does.
        int to = markup.lastIndexOf("</", closing.endPos() - 1);
        return new Change(element.sourceRange().endPos(), to, text);
    }

    private Change meta(Field field, String text, UnaryOperator<String> encoded) {
        List<Element> all = page.select("meta").stream()
                .filter(meta -> isPartOfPage(meta) && isOf(meta, field))
                .toList();
        if (field == Field.INDEXING && all.size() > 1) {
            throw new PageSource.Unwritable("it has " + all.size() + " robots elements");
        }
        if (all.isEmpty())
            return added("<meta " + META.get(field) + " content=\"" + encoded.apply(text) + "\"" + closing());
        // The last of several wins for sharing, the first with a content for searching.
        Element meta = field == Field.OG_TITLE || field == Field.OG_DESCRIPTION
                ? all.get(all.size() - 1)
                : all.stream()
                        .filter(each -> each.hasAttr("content"))
                        .findFirst()
                        .orElse(all.get(0));
        String content = field == Field.INDEXING
                ? RobotsDirectives.of(meta.attr("content")).with(text).text()
                : text;
        return attribute(meta, encoded.apply(content));
    }

    private static boolean isOf(Element meta, Field field) {
        String name = meta.hasAttr("name") ? meta.attr("name") : meta.attr("property");
        return META.get(field).endsWith("=\"" + name.strip().toLowerCase(Locale.ROOT) + "\"");
    }

    /** What is in a template is no part of the page. */
    private static boolean isPartOfPage(Element element) {
        return element.closest("template") == null;
    }

    private Change attribute(Element meta, String value) {
        String written = "content=\"" + value + "\"";
        if (!meta.hasAttr("content")) {
            int end = meta.sourceRange().endPos() - 1;
            if (markup.charAt(end - 1) == '/') end--;
            String gap = Character.isWhitespace(markup.charAt(end - 1)) ? "" : " ";
            return new Change(end, end, gap + written + (markup.charAt(end) == '/' ? " " : ""));
        }
        Range.AttributeRange range = meta.attributes().sourceRange("content");
        int from = range.valueRange().startPos();
        int to = range.valueRange().endPos();
        // Within its quotation marks only the value changes; a bare one gets marks.
        if (to > from && isMark(markup.charAt(to)) && markup.charAt(from - 1) == markup.charAt(to))
            return new Change(from, to, value);
        Matcher empty = NO_VALUE.matcher(markup).region(range.nameRange().endPos(), markup.length());
        int end = to > from
                ? to
                : empty.lookingAt() ? empty.end() : range.nameRange().endPos();
        return new Change(range.nameRange().startPos(), end, written);
    }

    private static boolean isMark(char c) {
        return c == '"' || c == '\'';
    }

    /** A new element goes behind the title or the encoding, or to the start of the head, on a line of its own where those have one. */
    private Change added(String element) {
        Element head = page.head();
        Element behind = null;
        for (Element each : head.children()) {
            boolean leads = each.normalName().equals("title") || each.hasAttr("charset") || each.hasAttr("http-equiv");
            if (leads && each.sourceRange().isTracked()) behind = each;
        }
        if (behind == null
                && (!head.sourceRange().isTracked() || head.sourceRange().isImplicit()))
            throw new PageSource.Unwritable("it has no head to put that in");
        Element anchor = behind == null ? head : behind;
        boolean closed = behind != null && behind.endSourceRange().isTracked();
        int at =
                closed ? behind.endSourceRange().endPos() : anchor.sourceRange().endPos();
        return new Change(at, at, lineStart(anchor.sourceRange().startPos()) + element);
    }

    /** The line break and indent before a place, where nothing else is before it on its line. */
    private String lineStart(int at) {
        int start = at;
        while (start > 0 && (markup.charAt(start - 1) == ' ' || markup.charAt(start - 1) == '\t')) start--;
        if (start == 0 || markup.charAt(start - 1) != '\n') return "";
        boolean carriage = start > 1 && markup.charAt(start - 2) == '\r';
        return (carriage ? "\r\n" : "\n") + markup.substring(start, at);
    }

    /** How elements without content end here: as XML wants it where the page says that it is XHTML. */
    private String closing() {
        String start = markup.substring(0, Math.min(markup.length(), 400)).toLowerCase(Locale.ROOT);
        return start.contains("<?xml") || start.contains("dtd xhtml") ? " />" : ">";
    }
}
