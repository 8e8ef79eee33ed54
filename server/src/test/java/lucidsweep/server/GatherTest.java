package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Crawls of small sites that change, end early, move elsewhere or ask for restraint. */
@ExtendWith(RunningApplication.class)
class GatherTest {

    private final Site site = new Site();
    private Api api;
    private long property;

    @BeforeEach
    void propertyOfTheSite(Api api) {
        this.api = api;
        property = api.property("website", site.address(), true);
    }

    @AfterEach
    void closeSite() {
        site.close();
    }

    @Test
    void theNextSweepFindsWhatChangedAndLosesNothing() {
        site.page("/", "Kayaks on Tarrin Bay", "/hire", "/tours", "/lessons")
                .page("/hire", "Hire a kayak for a day")
                .page("/tours", "Guided tours with the tide")
                .page("/lessons", "Lessons for those who never paddled");
        assertThat(api.sweep(property).path("note").asString()).isEqualTo("4 pages captured.");
        long tours = id("/tours");
        draft(tours, "Guided tours by kayak, with the tide");
        long lessons = id("/lessons");

        site.page("/", "Kayaks on Tarrin Bay", "/hire", "/tours", "/journal")
                .page("/tours", "Guided tours, every Saturday")
                .page("/journal", "What we saw on the water")
                .remove("/lessons");
        assertThat(api.sweep(property).path("note").asString())
                .isEqualTo("4 pages captured, 1 is gone since the last sweep.");
        assertThat(titles())
                .containsExactly(
                        "/ Kayaks on Tarrin Bay",
                        "/hire Hire a kayak for a day",
                        "/journal What we saw on the water",
                        "/tours Guided tours, every Saturday");
        JsonNode row = row("/tours");
        assertThat(row.path("id").asLong()).as("it is still the same item").isEqualTo(tours);
        assertThat(row.path("title").path("draft").asString()).isEqualTo("Guided tours by kayak, with the tide");

        site.page("/", "Kayaks on Tarrin Bay", "/lessons").page("/lessons", "Lessons are back");
        api.sweep(property);
        assertThat(id("/lessons")).as("what was gone comes back as what it was").isEqualTo(lessons);
        assertThat(api.get("/api/properties/" + property + "/sweeps").json()).hasSize(3);
    }

    @Test
    void aLimitLeavesTheRestWaitingAndNothingGone() {
        manyPages(30);
        api.sweep(property);
        assertThat(titles()).hasSize(31);
        JsonNode job = sweep("{\"maxPages\":10,\"maxDepth\":5,\"connections\":2,\"delayMs\":0}");
        assertThat(job.path("note").asString()).isEqualTo("10 pages captured.");
        assertThat(outcomes()).contains("captured 10", "over-limit 21");
        assertThat(visits("over-limit").get(0).path("detail").asString())
                .isEqualTo("the limit of 10 pages was reached");
        assertThat(titles()).as("what was not asked is not gone").hasSize(31);
    }

    @Test
    void depthIsCountedInLinksFromTheStart() {
        site.page("/", "Start of the way", "/1")
                .page("/1", "First", "/2")
                .page("/2", "Second", "/3")
                .page("/3", "Third", "/");
        sweep("{\"maxPages\":10,\"maxDepth\":2,\"connections\":1,\"delayMs\":0}");
        assertThat(outcomes()).containsExactlyInAnyOrder("captured 3", "too-deep 1");
        assertThat(visits("too-deep").get(0).path("address").asString()).isEqualTo(site.address() + "3");
        assertThat(row("/2").path("depth").asInt()).isEqualTo(2);
    }

    @Test
    void stoppedItKeepsWhatItSawAndCallsNothingGone() {
        manyPages(150);
        api.sweep(property);
        long job = start("{\"maxPages\":500,\"maxDepth\":5,\"connections\":1,\"delayMs\":20}")
                .path("jobId")
                .asLong();
        while (api.get("/api/jobs/" + job).json().path("done").asInt() < 3) LockSupport.parkNanos(5_000_000);
        assertThat(start("{\"maxPages\":5,\"maxDepth\":1,\"connections\":1,\"delayMs\":0}")
                        .path("detail")
                        .asString())
                .contains("under way");
        assertThat(api.post("/api/jobs/" + job + "/stop", "").status()).isEqualTo(200);
        assertThat(api.ended(job).path("state").asString()).isEqualTo("stopped");
        assertThat(titles()).hasSize(151);
        assertThat(api.post("/api/jobs/" + job + "/stop", "").status()).isEqualTo(409);
        assertThat(api.sweep(property).path("state").asString())
                .as("and it can be swept again")
                .isEqualTo("done");
    }

    @Test
    void stoppedItGoesOnWhereItWas() {
        try (Site other = new Site()) {
            site.redirect("/", other.address());
            String[] links = new String[60];
            for (int i = 0; i < links.length; i++) {
                links[i] = "/page-" + i;
                other.page(links[i], "Page number " + i + " of the site", "/deep-" + i);
                other.page("/deep-" + i, "Deep page number " + i);
            }
            other.page("/", "Start of many pages", links);
            JsonNode sweep = start("{\"maxPages\":500,\"maxDepth\":5,\"connections\":1,\"delayMs\":10}");
            long job = sweep.path("jobId").asLong();
            while (api.get("/api/jobs/" + job).json().path("done").asInt() < 5) LockSupport.parkNanos(5_000_000);
            api.post("/api/jobs/" + job + "/stop", "");
            api.ended(job);
            int before = titles().size();
            assertThat(before).isBetween(1, 120);
            assertThat(api.post("/api/sweeps/" + sweep.path("id") + "/resume", "")
                            .json()
                            .path("state")
                            .asString())
                    .isEqualTo("running");
            assertThat(api.ended(job).path("state").asString()).isEqualTo("done");
            assertThat(outcomes()).containsExactlyInAnyOrder("captured 121", "redirect 1");
            assertThat(titles()).hasSize(121).allMatch(title -> title.contains("page"));
            assertThat(other.requests()).extracting(Site.Request::path).doesNotHaveDuplicates();
            assertThat(api.post("/api/sweeps/" + sweep.path("id") + "/resume", "")
                            .problem())
                    .contains("only if it was stopped");
        }
    }

    /** The host that the start leads to is the one that is crawled, and its robots.txt is the one that counts. */
    @Test
    void theStartMayLeadToAnotherHost() {
        try (Site other = new Site()) {
            site.redirect("/", other.address() + "en/").page("/old", "Old house");
            other.page("/en/", "New house on the quay", "/en/hire", site.address() + "old", "/private/")
                    .page("/en/hire", "Hire at the new house")
                    .page("/private/", "Nobody's business")
                    .answer("/robots.txt", 200, "text/plain", "User-agent: *\nDisallow: /private".getBytes());
            assertThat(api.sweep(property).path("note").asString())
                    .isEqualTo("2 pages captured, 1 link leads to another host.");
            assertThat(outcomes()).containsExactlyInAnyOrder("captured 2", "redirect 1", "blocked 1");
            assertThat(other.requests()).extracting(Site.Request::path).doesNotContain("/private/");
            assertThat(site.requests()).extracting(Site.Request::path).containsExactly("/");
        }
    }

    @Test
    void robotsTxtIsKeptToByItsLongestRule() {
        site.page("/", "Start of the site", "/a/x", "/a/open/y", "/b.pdf?x=1", "/c")
                .page("/a/x", "Closed")
                .page("/a/open/y", "Open again")
                .page("/c", "Open to all")
                .answer(
                        "/robots.txt",
                        200,
                        "text/plain",
                        "User-agent: other\nDisallow: /\n\nUser-agent: *\nDisallow: /a/\nAllow: /a/open/\nDisallow: /*.pdf"
                                .getBytes());
        api.sweep(property);
        assertThat(titles()).containsExactly("/ Start of the site", "/a/open/y Open again", "/c Open to all");
        assertThat(outcomes()).contains("blocked 2");
    }

    @Test
    void sitemapsLeadToPagesThatNobodyLinks() {
        String here = site.address();
        site.page("/", "Start without any link")
                .page("/island", "An island that is not linked")
                .answer("/robots.txt", 200, "text/plain", ("Sitemap: " + here + "maps.xml").getBytes())
                .answer(
                        "/maps.xml",
                        200,
                        "application/xml",
                        xml("sitemapindex", "sitemap", here + "map-1.xml", here + "none.xml"))
                .answer(
                        "/map-1.xml",
                        200,
                        "application/xml",
                        xml("urlset", "url", here + "island", "https://elsewhere.example/"));
        api.sweep(property);
        assertThat(titles()).containsExactly("/ Start without any link", "/island An island that is not linked");
        assertThat(visits("captured").findValuesAsString("foundOn")).contains("the sitemap");
    }

    @Test
    void itAsksNoFasterAndNoMoreAtOnceThanItWasTold() {
        manyPages(25);
        sweep("{\"maxPages\":100,\"maxDepth\":5,\"connections\":3,\"delayMs\":15}");
        List<Site.Request> requests = site.requests();
        long took = requests.get(requests.size() - 1).nanos() - requests.get(0).nanos();
        assertThat(took).isGreaterThanOrEqualTo((requests.size() - 2) * 15_000_000L);
        assertThat(site.maxAtOnce()).isLessThanOrEqualTo(3);
    }

    @Test
    void pagesThatMayNotBeListedAreSetApart() {
        site.page("/", "A page that may be listed", "/noindex", "/header", "/copy", "/other")
                .html("/noindex", "<title>Not this one</title><meta name=robots content='noindex'>")
                .answer("/header", 200, "text/html", "<title>Nor this</title>".getBytes(), "X-Robots-Tag", "noindex")
                .html("/copy", "<title>A copy</title><link rel=canonical href='/'>")
                .answer(
                        "/other",
                        200,
                        "text/html",
                        "<title>For another agent</title>".getBytes(),
                        "X-Robots-Tag",
                        "otherbot: noindex");
        api.sweep(property);
        assertThat(row("/noindex").path("noindex").asString()).contains("noindex");
        assertThat(row("/header").path("noindex").asString()).contains("noindex");
        assertThat(row("/copy").path("noindex").asString()).isEqualTo("its canonical is " + site.address());
        assertThat(row("/other").path("noindex").isNull()).isTrue();
        assertThat(api.get("/api/properties/" + property + "/items?indexable=no")
                        .json()
                        .path("total")
                        .asInt())
                .isEqualTo(3);
        List<String> kinds = new ArrayList<>();
        for (JsonNode kind :
                api.get("/api/properties/" + property + "/findings/checks").json())
            kinds.add(kind.path("field").asString() + " " + kind.path("check").asString() + " "
                    + kind.path("items").asInt());
        assertThat(kinds)
                .as(
                        "what is wrong with the two that may be listed is counted, of the three others only that they may not")
                .contains("description missing 2", "indexing not-indexable 3");
    }

    @Test
    void everyAddressOfASweepCanBeLookedAtAndTakenAway() {
        manyPages(12);
        api.sweep(property);
        long sweep = api.get("/api/properties/" + property + "/sweeps")
                .json()
                .get(0)
                .path("id")
                .asLong();
        List<String> seen = new ArrayList<>();
        long after = 0;
        JsonNode some;
        do {
            some = api.get("/api/sweeps/" + sweep + "/visits?limit=5&after=" + after)
                    .json();
            for (JsonNode visit : some) {
                seen.add(visit.path("address").asString());
                after = visit.path("id").asLong();
            }
        } while (!some.isEmpty());
        assertThat(seen).hasSize(13).doesNotHaveDuplicates();
        Reply csv = api.get("/api/sweeps/" + sweep + "/visits.csv?outcome=captured");
        assertThat(csv.body().lines()).hasSize(14).first().asString().startsWith("address,outcome,status");
        assertThat(csv.response().headers().firstValue("content-disposition"))
                .hasValue("attachment; filename=\"sweep.csv\"");
    }

    private void manyPages(int count) {
        String[] links = new String[count];
        for (int i = 0; i < count; i++) {
            links[i] = "/page-" + i;
            site.page(links[i], "Page number " + i + " of the site");
        }
        site.page("/", "Start of many pages", links);
    }

    private JsonNode start(String settings) {
        return api.post("/api/properties/" + property + "/sweeps", settings).json();
    }

    private JsonNode sweep(String settings) {
        return api.ended(start(settings).path("jobId").asLong());
    }

    private List<String> titles() {
        List<String> titles = new ArrayList<>();
        for (JsonNode row : api.get("/api/properties/" + property + "/items?count=200")
                .json()
                .path("rows")) {
            String address = row.path("address").asString();
            titles.add(address.substring(address.indexOf('/', 8)) + " "
                    + row.path("title").path("captured").asString());
        }
        return titles;
    }

    private JsonNode row(String path) {
        return api.get("/api/properties/" + property + "/items?q=" + Api.encoded(path))
                .json()
                .path("rows")
                .get(0);
    }

    private long id(String path) {
        return row(path).path("id").asLong();
    }

    private void draft(long item, String title) {
        api.post(
                "/api/properties/" + property + "/cells",
                "[{\"itemId\":" + item + ",\"field\":\"title\",\"text\":\"" + title + "\"}]");
    }

    private List<String> outcomes() {
        long sweep = api.get("/api/properties/" + property + "/sweeps")
                .json()
                .get(0)
                .path("id")
                .asLong();
        List<String> outcomes = new ArrayList<>();
        for (JsonNode line : api.get("/api/sweeps/" + sweep + "/outcomes").json())
            outcomes.add(
                    line.path("outcome").asString() + " " + line.path("count").asInt());
        return outcomes;
    }

    private JsonNode visits(String outcome) {
        long sweep = api.get("/api/properties/" + property + "/sweeps")
                .json()
                .get(0)
                .path("id")
                .asLong();
        return api.get("/api/sweeps/" + sweep + "/visits?outcome=" + outcome).json();
    }

    private static byte[] xml(String root, String each, String... addresses) {
        StringBuilder xml = new StringBuilder("<" + root + " xmlns=\"http://www.sitemaps.org/schemas/sitemap/0.9\">");
        for (String address : addresses)
            xml.append("<")
                    .append(each)
                    .append("><loc>")
                    .append(address)
                    .append("</loc></")
                    .append(each)
                    .append(">");
        return (xml + "</" + root + ">").getBytes(StandardCharsets.UTF_8);
    }
}
