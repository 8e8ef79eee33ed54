package lucidsweep.server.release;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Slug;
import org.springframework.web.util.HtmlUtils;

/** The pages that a handover changes, as sitemaps (sitemaps.org), so that search engines come and look. */
final class ChangedSitemap {

    /** More than these stand in no sitemap. */
    static final int MOST_PAGES = 50_000;

    private static final String NAMESPACE = " xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">\n";
    private static final DateTimeFormatter DAY = DateTimeFormatter.ISO_LOCAL_DATE.withZone(ZoneOffset.UTC);

    private final HandoverLines lines;
    private final String day;

    private ChangedSitemap(HandoverLines lines) {
        this.lines = lines;
        day = DAY.format(lines.handover().created());
    }

    /** Writes all pages into one sitemap. */
    static void write(HandoverLines lines, OutputStream out) throws IOException {
        ChangedSitemap sitemap = new ChangedSitemap(lines);
        Writer writer = writer(out);
        begin(writer, "urlset");
        lines.forEachItem(item -> sitemap.page(item, writer));
        end(writer, "urlset");
    }

    /**
     * Writes as many sitemaps as it takes, and their index, into an archive.
     *
     * @param root where they will stand, with "/" at the end: an index names its sitemaps by their full addresses
     * @param most pages in a sitemap
     */
    static void writeAll(HandoverLines lines, String root, int most, OutputStream out) throws IOException {
        new ChangedSitemap(lines).writeAll(root, most, new ZipOutputStream(out));
    }

    private void writeAll(String root, int most, ZipOutputStream zip) throws IOException {
        String name = "changed-" + lines.handover().id();
        Parts parts = new Parts(name, most, zip);
        lines.forEachItem(parts::add);
        parts.close();
        zip.putNextEntry(new ZipEntry(name + ".xml"));
        Writer index = writer(zip);
        begin(index, "sitemapindex");
        for (int part = 1; part <= parts.count; part++) {
            index.write("<sitemap><loc>" + HtmlUtils.htmlEscape(root + name + "-" + part + ".xml", "UTF-8")
                    + "</loc><lastmod>" + day + "</lastmod></sitemap>\n");
        }
        end(index, "sitemapindex");
        zip.closeEntry();
        zip.finish();
    }

    /** One sitemap after the other, the next one where the last one is full. */
    private final class Parts {
        private final String name;
        private final int most;
        private final ZipOutputStream zip;
        private Writer writer;
        private int count;
        private int pages;

        private Parts(String name, int most, ZipOutputStream zip) {
            this.name = name;
            this.most = most;
            this.zip = zip;
        }

        private void add(List<ReleaseMapper.Line> item) {
            try {
                if (pages == most) close();
                if (writer == null) open();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            page(item, writer);
            pages++;
        }

        private void open() throws IOException {
            count++;
            pages = 0;
            zip.putNextEntry(new ZipEntry(name + "-" + count + ".xml"));
            writer = writer(zip);
            begin(writer, "urlset");
        }

        private void close() throws IOException {
            if (writer == null) return;
            end(writer, "urlset");
            zip.closeEntry();
            writer = null;
        }
    }

    private static Writer writer(OutputStream out) {
        return new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
    }

    private static void begin(Writer writer, String element) throws IOException {
        writer.write("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<" + element + NAMESPACE);
    }

    private static void end(Writer writer, String element) throws IOException {
        writer.write("</" + element + ">\n");
        writer.flush();
    }

    private void page(List<ReleaseMapper.Line> item, Writer writer) {
        try {
            String address = HtmlUtils.htmlEscape(address(item), "UTF-8");
            writer.write("<url><loc>" + address + "</loc><lastmod>" + day + "</lastmod></url>\n");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Where the page is once all that is handed over is in place. */
    private static String address(List<ReleaseMapper.Line> item) {
        String address = item.get(0).address();
        return item.stream()
                .filter(text -> text.field() == Field.SLUG)
                .findFirst()
                .map(slug -> Slug.replaced(address, slug.after()))
                .orElse(address);
    }
}
