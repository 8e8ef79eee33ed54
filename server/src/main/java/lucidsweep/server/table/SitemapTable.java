package lucidsweep.server.table;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import javax.xml.stream.XMLInputFactory;
import javax.xml.stream.XMLStreamConstants;
import javax.xml.stream.XMLStreamException;
import javax.xml.stream.XMLStreamReader;
import lucidsweep.server.web.Refusal;

/** An XML sitemap with its extensions for images and videos, one row an address. Entities from outside are not read. */
final class SitemapTable implements TableFormat {

    private static final List<String> COLUMNS =
            List.of("address", "lastmod", "title", "description", "tags", "published", "views", "images");
    private static final int LONGEST = 100_000;

    private final Path file;

    SitemapTable(Path file) {
        this.file = file;
    }

    @Override
    public String encoding() {
        try (InputStream in = open()) {
            XMLStreamReader xml = reader(in);
            return xml.getCharacterEncodingScheme() == null ? "UTF-8" : xml.getCharacterEncodingScheme();
        } catch (IOException | XMLStreamException e) {
            return "UTF-8";
        }
    }

    @Override
    public char delimiter() {
        return 0;
    }

    @Override
    public void read(RowReader reader) {
        long line = 1;
        boolean any = false;
        try (InputStream in = open()) {
            XMLStreamReader xml = reader(in);
            try {
                reader.row(1, COLUMNS);
                Map<String, String> entry = null;
                while (xml.hasNext()) {
                    int event = xml.next();
                    line = xml.getLocation().getLineNumber();
                    String name = event == XMLStreamConstants.START_ELEMENT || event == XMLStreamConstants.END_ELEMENT
                            ? xml.getLocalName()
                            : "";
                    if (event == XMLStreamConstants.START_ELEMENT) {
                        if (name.equals("url") || name.equals("sitemap")) entry = new HashMap<>();
                        else if (entry != null) take(xml, name, entry);
                    } else if (event == XMLStreamConstants.END_ELEMENT
                            && entry != null
                            && (name.equals("url") || name.equals("sitemap"))) {
                        any = true;
                        reader.row(line, row(entry));
                        entry = null;
                    }
                }
            } finally {
                xml.close();
            }
        } catch (IOException | XMLStreamException e) {
            if (!any) throw Refusal.badInput("this is no sitemap that can be read: " + firstLine(e.getMessage()));
            reader.unreadable(line, "the rest cannot be read: " + firstLine(e.getMessage()));
        }
    }

    private static void take(XMLStreamReader xml, String name, Map<String, String> entry) throws XMLStreamException {
        boolean image = "image".equals(xml.getPrefix());
        String column = switch (name) {
            case "loc" -> image ? "images" : "address";
            case "lastmod" -> "lastmod";
            case "title" -> image ? "" : "title";
            case "description" -> "description";
            case "tag" -> "tags";
            case "publication_date" -> "published";
            case "view_count" -> "views";
            default -> "";
        };
        if (column.isEmpty()) return;
        String text = text(xml);
        boolean list = column.equals("tags") || column.equals("images");
        entry.merge(column, text, (before, more) -> list ? before + ", " + more : before);
    }

    /** The text of an element, at most so much of it, whatever else stands in it. */
    private static String text(XMLStreamReader xml) throws XMLStreamException {
        StringBuilder text = new StringBuilder();
        for (int depth = 1; depth > 0; ) {
            int event = xml.next();
            if (event == XMLStreamConstants.START_ELEMENT) depth++;
            else if (event == XMLStreamConstants.END_ELEMENT) depth--;
            else if (xml.hasText() && text.length() < LONGEST) text.append(xml.getText());
        }
        return text.toString().strip();
    }

    private static List<String> row(Map<String, String> entry) {
        List<String> cells = new ArrayList<>(COLUMNS.size());
        for (String column : COLUMNS) cells.add(entry.getOrDefault(column, ""));
        return cells;
    }

    private InputStream open() throws IOException {
        return new BufferedInputStream(Files.newInputStream(file));
    }

    private static XMLStreamReader reader(InputStream in) throws XMLStreamException {
        XMLInputFactory factory = XMLInputFactory.newDefaultFactory();
        factory.setProperty(XMLInputFactory.SUPPORT_DTD, false);
        factory.setProperty(XMLInputFactory.IS_SUPPORTING_EXTERNAL_ENTITIES, false);
        factory.setProperty(XMLInputFactory.IS_COALESCING, false);
        return factory.createXMLStreamReader(in);
    }

    private static String firstLine(String text) {
        return text == null
                ? ""
                : text.lines()
                        .skip(text.startsWith("ParseError") ? 1 : 0)
                        .findFirst()
                        .orElse(text);
    }
}
