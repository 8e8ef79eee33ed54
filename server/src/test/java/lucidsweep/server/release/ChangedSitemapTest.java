package lucidsweep.server.release;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.lang.reflect.Proxy;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import lucidsweep.core.item.Field;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ChangedSitemapTest {

    /** The lines of so many pages, as the database gives them. */
    private static HandoverLines lines(int pages) {
        ReleaseMapper mapper = (ReleaseMapper) Proxy.newProxyInstance(
                ReleaseMapper.class.getClassLoader(), new Class<?>[] {ReleaseMapper.class}, (proxy, method, given) -> {
                    long after = (Long) given[0];
                    long first = LineIds.of(7).first();
                    return IntStream.rangeClosed(1, pages)
                            .filter(page -> first + page > after)
                            .limit((Integer) given[2])
                            .mapToObj(page -> new ReleaseMapper.Line(
                                    first + page,
                                    page,
                                    "https://tarrin.example/?a=1&b=" + page,
                                    Field.TITLE,
                                    "old",
                                    "new"))
                            .toList();
                });
        Instant day = Instant.parse("2026-11-20T10:00:00Z");
        return new RecordedLines(mapper, new Handover(7, 1, "csv", pages, pages, day, "", ""));
    }

    private static Map<String, String> files(byte[] zip) throws IOException {
        Map<String, String> files = new LinkedHashMap<>();
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(zip))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry())
                files.put(entry.getName(), new String(in.readAllBytes(), StandardCharsets.UTF_8));
        }
        return files;
    }

    @ParameterizedTest
    @CsvSource({"1, 1", "1000, 1", "1001, 2", "2000, 2", "2500, 3"})
    void noSitemapHasMorePagesThanAllowedAndTheIndexNamesThemAll(int pages, int sitemaps) throws IOException {
        ByteArrayOutputStream zip = new ByteArrayOutputStream();
        ChangedSitemap.writeAll(lines(pages), "https://tarrin.example/", 1_000, zip);
        Map<String, String> files = files(zip.toByteArray());
        String index = files.remove("changed-7.xml");
        assertThat(index.split("<sitemap>")).hasSize(1 + sitemaps);
        StringBuilder all = new StringBuilder();
        for (Map.Entry<String, String> file : files.entrySet()) {
            assertThat(index).contains("<loc>https://tarrin.example/" + file.getKey() + "</loc><lastmod>2026-11-20");
            assertThat(file.getValue().split("<url>")).hasSizeBetween(2, 1_001);
            assertThat(file.getValue()).startsWith("<?xml").endsWith("</urlset>\n");
            all.append(file.getValue());
        }
        assertThat(files).hasSize(sitemaps);
        assertThat(all.toString().split("<url>")).hasSize(1 + pages);
        assertThat(all).contains("?a=1&amp;b=" + pages + "</loc>");
    }
}
