package lucidsweep.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** The demo website does what real servers do, and always the same. */
class WebsiteTest {

    private static final Pattern LINK = Pattern.compile("<a [^>]*href=\"(/[^\"]*)\"");
    private static final HttpClient HTTP = HttpClient.newHttpClient();
    private static Website website;

    @BeforeAll
    static void open() throws IOException {
        website = Website.ofDemo(DemoSite.ofSeed(7), 0);
    }

    @AfterAll
    static void close() {
        website.close();
    }

    @ParameterizedTest
    @CsvSource({
        "/, 200, text/html",
        "/old-home, 301, text/html",
        "/moved-once, 301, text/html",
        "/moved-twice, 302, text/html",
        "/moved-again, 308, text/html",
        "/loop-a, 302, text/html",
        "/loop-b, 302, text/html",
        "/closed-branch, 410, text/html",
        "/nothing-here, 404, text/html",
        "/prices.pdf, 200, application/pdf",
        "/boat.svg, 200, image/svg+xml",
        "/latin, 200, text/html; charset=ISO-8859-1",
        "/calendar/2026/12/, 200, text/html",
        "/robots.txt, 200, text/plain",
        "/sitemap.xml, 200, application/xml",
        "/files/listings.csv, 200, text/csv",
        "/files/none.csv, 404, text/html",
    })
    void everyAddressAnswersAsMeant(String path, int status, String type) throws Exception {
        HttpResponse<String> answer = get(website, path);
        assertThat(answer.statusCode()).isEqualTo(status);
        assertThat(answer.headers().firstValue("content-type"))
                .hasValueSatisfying(t -> assertThat(t).startsWith(type));
        if (status >= 300 && status < 400)
            assertThat(answer.headers().firstValue("location")).isPresent();
    }

    @Test
    void theFlakyPageFailsEveryOtherTime() throws Exception {
        int first = get(website, "/flaky").statusCode();
        int second = get(website, "/flaky").statusCode();
        assertThat(new int[] {first, second}).containsExactlyInAnyOrder(500, 200);
    }

    @Test
    void theCalendarNeverEnds() throws Exception {
        String path = "/calendar/2026/11/";
        for (int month = 0; month < 30; month++) {
            Matcher next = Pattern.compile("href=\"(/calendar/[^\"]*)\"")
                    .matcher(get(website, path).body());
            assertThat(next.find()).isTrue();
            assertThat(next.group(1)).isNotEqualTo(path);
            path = next.group(1);
        }
        assertThat(path).isEqualTo("/calendar/2029/5/");
    }

    /** Links lead somewhere, but for the two that are meant to be broken, and all pages can be reached but the orphan. */
    @Test
    void linksLeadToEveryPage() throws Exception {
        Map<String, Integer> seen =
                follow(website, path -> path.startsWith("/calendar/") || path.startsWith("/private/"));
        DemoSite site = DemoSite.ofSeed(7);
        assertThat(seen.keySet())
                .containsAll(site.pages().keySet().stream()
                        .filter(path -> !site.pages().get(path).inSitemapOnly)
                        .toList());
        assertThat(seen.entrySet().stream().filter(each -> each.getValue() == 404))
                .hasSize(1);
        String map = get(website, "/sitemap-pages.xml").body()
                + get(website, "/sitemap-journal.xml").body();
        assertThat(map).contains("/legal/winter-opening-hours/").doesNotContain("/calendar/");
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 7, 99})
    void theSameSeedMakesTheSameSite(long seed) {
        DemoSite one = DemoSite.ofSeed(seed);
        DemoSite two = DemoSite.ofSeed(seed);
        assertThat(one.planted()).isEqualTo(two.planted()).hasSizeGreaterThan(40);
        PageHtml html = new PageHtml(one.pages());
        PageHtml again = new PageHtml(two.pages());
        one.pages()
                .forEach((path, page) ->
                        assertThat(html.of(page)).isEqualTo(again.of(two.pages().get(path))));
        assertThat(one.pages()).hasSizeGreaterThanOrEqualTo(320);
        assertThat(one.planted()).allSatisfy(fault -> assertThat(one.pages()).containsKey(fault.path()));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 9, 137})
    void aSiteOfAnySizeHasThatManyPages(int pages) throws Exception {
        try (Website large = Website.ofSize(pages, 0)) {
            Map<String, Integer> seen = follow(large, path -> false);
            assertThat(seen).hasSize(pages).doesNotContainValue(404);
            assertThat(get(large, "/page-" + pages + ".html").statusCode()).isEqualTo(404);
        }
    }

    private static Map<String, Integer> follow(Website website, java.util.function.Predicate<String> leaveOut)
            throws Exception {
        Map<String, Integer> seen = new TreeMap<>();
        Deque<String> waiting = new ArrayDeque<>();
        waiting.add("/");
        while (!waiting.isEmpty()) {
            String path = waiting.poll();
            if (seen.containsKey(path) || leaveOut.test(path)) continue;
            HttpResponse<String> answer = get(website, path);
            seen.put(path, answer.statusCode());
            if (answer.statusCode() != 200) continue;
            Matcher link = LINK.matcher(answer.body());
            while (link.find()) waiting.add(link.group(1));
        }
        return seen;
    }

    private static HttpResponse<String> get(Website website, String path) throws Exception {
        return HTTP.send(
                HttpRequest.newBuilder(website.address().resolve(path)).build(),
                HttpResponse.BodyHandlers.ofString(StandardCharsets.UTF_8));
    }
}
