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
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Slug;
import org.springframework.web.util.HtmlUtils;

/** The pages that a handover changes, as a sitemap (sitemaps.org), so that search engines come and look. */
final class ChangedSitemap {

    /** More than these stand in no sitemap. */
    static final int MOST_PAGES = 50_000;

    private static final DateTimeFormatter DAY = DateTimeFormatter.ISO_LOCAL_DATE.withZone(ZoneOffset.UTC);

    private ChangedSitemap() {}

    static void write(HandoverLines lines, OutputStream out) throws IOException {
        Writer writer = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        String day = DAY.format(lines.handover().created());
        writer.write("<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n");
        writer.write("<urlset xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">\n");
        lines.forEachItem(item -> {
            try {
                String address = HtmlUtils.htmlEscape(address(item), "UTF-8");
                writer.write("<url><loc>" + address + "</loc><lastmod>" + day + "</lastmod></url>\n");
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        writer.write("</urlset>\n");
        writer.flush();
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
