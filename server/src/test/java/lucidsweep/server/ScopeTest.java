package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What a sweep looks at and what it leaves out, each with its reason. */
@ExtendWith(RunningApplication.class)
class ScopeTest {

    private static final String FAST = "\"maxPages\":500,\"maxDepth\":90,\"connections\":2,\"delayMs\":0";

    private final Site site = new Site();
    private Api api;
    private long property;

    @BeforeEach
    void addProperty(Api api) {
        this.api = api;
        property = api.property("website", site.address(), true);
        site.page("/", "Kayaks on the bay", "/tours/", "/hire/", "/cart?item=4", "/tours/otter?ref=home&day=2")
                .page("/tours/", "Guided tours", "/tours/otter", "/tours/seal", "/hire/")
                .page("/tours/otter", "To Otter Point")
                .page("/tours/otter?ref=home&day=2", "To Otter Point")
                .page("/tours/otter?day=2", "To Otter Point on the second day")
                .page("/tours/seal", "Among the seals", "/tours/")
                .page("/hire/", "Hire a kayak")
                .page("/cart?item=4", "Your cart");
    }

    @AfterEach
    void closeSite() {
        site.close();
    }

    @Test
    void onlyWhatFitsIsCapturedAndTheStartShowsTheWay() {
        assertThat(sweep("\"include\":[\"/tours/\"],\"exclude\":[\"/*seal$\"]"))
                .isEqualTo("3 pages captured, 1 is the same page as another.");
        assertThat(visits("captured")).containsOnlyKeys("/tours/", "/tours/otter", "/tours/otter?ref=home&day=2");
        assertThat(visits("passed")).containsEntry("/", "does not fit /tours/; looked at for its links only");
        assertThat(visits("out-of-scope"))
                .containsEntry("/hire/", "does not fit /tours/")
                .containsEntry("/tours/seal", "excluded by /*seal$");
        assertThat(asked()).doesNotContain("/hire/", "/cart?item=4");
        assertThat(api.post(
                                "/api/properties/" + property + "/sweeps",
                                "{" + FAST + ",\"include\":[\"\", \"/" + "x".repeat(600) + "\"]}")
                        .problem())
                .contains("at most 500");
    }

    @Test
    void whatASmallerSweepDoesNotLookAtIsNotGone() {
        sweep("");
        assertThat(items()).isEqualTo(7);
        sweep("\"include\":[\"/hire/\"]");
        assertThat(items()).isEqualTo(7);
        sweep("");
        site.remove("/hire/");
        sweep("");
        assertThat(items())
                .as("only a sweep of the whole site says what is gone")
                .isEqualTo(6);
    }

    @Test
    void parametersAreTakenOffBeforeAddressesAreLookedAt() {
        sweep("\"withoutParameters\":[\"ref\"]");
        assertThat(visits("captured")).containsKeys("/tours/otter", "/tours/otter?day=2", "/cart?item=4");
        assertThat(asked()).noneMatch(path -> path.contains("ref="));
        sweep("\"query\":\"DROP\"");
        assertThat(visits("captured")).doesNotContainKeys("/tours/otter?day=2", "/cart?item=4");
    }

    @Test
    void addressesAreAskedForAsTheirLinksAreWritten() {
        site.page("/", "Home", "/caf%c3%a9%7e1", "/old").page("/caf%c3%a9%7e1", "Café");
        site.redirect("/old", "/new%7e").page("/new%7e", "New");
        sweep("\"withoutParameters\":[\"ref\"]");
        assertThat(visits("captured")).containsOnlyKeys("/", "/caf%C3%A9~1", "/new~");
        assertThat(asked()).containsExactlyInAnyOrder("/", "/caf%c3%a9%7e1", "/old", "/new%7e");
    }

    @Test
    void aListOfAddressesIsAskedAndNothingElse() {
        sweep(
                "\"reach\":\"LIST\",\"addresses\":[\"%stours/otter\",\" \",\"%sgone\",\"kayak\",\"http://elsewhere.example/\"]"
                        .formatted(site.address(), site.address()));
        assertThat(visits(null).toString())
                .isEqualTo("{/gone=it answers 404, /tours/otter=, http://elsewhere.example/=on another host,"
                        + " kayak=this is no address of a page}");
    }

    @Test
    void theSitemapsMayBeAllThatIsAsked() {
        site.answer(
                "/sitemap.xml",
                200,
                "application/xml",
                ("<urlset xmlns='http://www.sitemaps.org/schemas/sitemap/0.9'><url><loc>" + site.address()
                                + "tours/</loc></url></urlset>")
                        .getBytes(StandardCharsets.UTF_8));
        sweep("\"reach\":\"SITEMAPS\"");
        assertThat(visits(null)).containsOnlyKeys("/tours/");
        site.remove("/sitemap.xml");
        JsonNode job = run("\"reach\":\"SITEMAPS\"");
        assertThat(job.path("state").asString()).isEqualTo("failed");
        assertThat(job.path("note").asString()).contains("lists an address");
    }

    @Test
    void whatRobotsAndNofollowKeepOutIsListedOrLookedAtAndMarked() {
        site.answer(
                        "/robots.txt",
                        200,
                        "text/plain",
                        "User-agent: *\nDisallow: /hire/".getBytes(StandardCharsets.UTF_8))
                .html(
                        "/",
                        "<title>Kayaks on the bay</title><a href=/hire/>hire</a><a rel='nofollow ugc' href=/tours/>tours</a>"
                                + "<a rel=nofollow href=/tours/seal>seals</a><a href=/list>list</a>")
                .page("/list", "Everything we do", "/tours/seal")
                .page("/tours/seal", "Among the seals");
        sweep("");
        assertThat(visits("blocked")).containsOnlyKeys("/hire/");
        assertThat(visits("nofollow")).containsEntry("/tours/", "its links ask not to be followed");
        assertThat(visits("captured"))
                .as("one of the links to the seals may be followed")
                .containsKeys("/tours/seal");

        sweep("\"pastRobots\":true");
        assertThat(visits("captured")).containsKeys("/hire/", "/tours/");
        assertThat(api.get("/api/properties/" + property + "/items?q=/hire/")
                        .json()
                        .path("rows")
                        .get(0)
                        .path("noindex")
                        .asString())
                .isEqualTo("robots.txt keeps search engines from it");
    }

    @Test
    void aCalendarWithoutEndIsNamedInTheReportAndTheRestIsAsked() {
        for (int day = 1; day < 200; day++) {
            site.page("/tides/2026/" + day, "Tides of day " + day, "/tides/2026/" + (day + 1));
        }
        site.page("/", "Kayaks on the bay", "/tides/2026/1", "/tours/");
        assertThat(sweep("")).startsWith("45 pages captured");
        assertThat(visits("trap")).containsOnlyKeys("/tides/2026/41");
        assertThat(visits("trap")).containsValue("a calendar without end: /tides/#/#");
        assertThat(visits("captured")).containsKeys("/tours/seal", "/hire/");
    }

    @Test
    void aCalendarIsStillKnownAfterAStop() {
        for (int day = 1; day < 200; day++) {
            site.page("/tides/2026/" + day, "Tides of day " + day, "/tides/2026/" + (day + 1));
        }
        site.page("/", "Kayaks on the bay", "/tides/2026/1");
        JsonNode begun = api.post(
                        "/api/properties/" + property + "/sweeps",
                        "{\"maxPages\":500,\"maxDepth\":90,\"connections\":1,\"delayMs\":20}")
                .json();
        long job = begun.path("jobId").asLong();
        while (api.get("/api/jobs/" + job).json().path("done").asInt() < 15) LockSupport.parkNanos(5_000_000);
        api.post("/api/jobs/" + job + "/stop", "");
        assertThat(api.ended(job).path("state").asString()).isEqualTo("stopped");
        api.post("/api/sweeps/" + begun.path("id") + "/resume", "");
        assertThat(api.ended(job).path("note").asString()).startsWith("41 pages captured");
        assertThat(visits("trap")).containsOnlyKeys("/tides/2026/41");
    }

    @Test
    void aPageAtSeveralAddressesIsOnePageAndNotADuplicate() {
        String hire = "<title>Hire a kayak</title><p>By the hour.</p>";
        site.page("/", "Kayaks on the bay", "/hire/", "/hire/index.html", "/hire/?from=home", "/tours/", "/copy")
                .html("/hire/", hire)
                .html("/hire/index.html", hire)
                .html("/hire/?from=home", hire)
                .html("/copy", hire);
        assertThat(sweep("")).contains("2 are the same page as another");
        JsonNode rows = api.get("/api/properties/" + property + "/items?q=/hire/&sort=address")
                .json()
                .path("rows");
        assertThat(rows.get(0).path("noindex").isNull()).isTrue();
        assertThat(rows.get(1).path("noindex").asString()).isEqualTo("the same page as " + site.address() + "hire/");
        assertThat(api.get("/api/properties/" + property + "/items?check=duplicate&field=title")
                        .json()
                        .path("total")
                        .asInt())
                .as("the copy at another address is a duplicate, the variants are not")
                .isEqualTo(2);
        site.html("/hire/index.html", "<title>Another page now</title>");
        assertThat(sweep("")).contains("1 is the same page as another");
    }

    @Test
    void aLoginOpensTheSiteAndGoesNowhereElse() {
        try (Site elsewhere = new Site()) {
            List<String> seen = new ArrayList<>();
            elsewhere.answer("/", exchange -> {
                seen.add(String.valueOf(exchange.getRequestHeaders().getFirst("Authorization")));
                exchange.sendResponseHeaders(404, -1);
            });
            site.answer("/", exchange -> {
                boolean in = "Basic cGFkZGxlcjpzYWx0ICYgdGlkZQ=="
                                .equals(exchange.getRequestHeaders().getFirst("Authorization"))
                        && "7".equals(exchange.getRequestHeaders().getFirst("X-Staging"));
                byte[] body = "<title>The staging site</title><a href=/out>out</a>".getBytes(StandardCharsets.UTF_8);
                exchange.getResponseHeaders().set("Content-Type", "text/html");
                exchange.sendResponseHeaders(in ? 200 : 401, body.length);
                exchange.getResponseBody().write(body);
            });
            site.redirect("/out", elsewhere.address()).redirect("/robots.txt", elsewhere.address());
            String login = "/api/properties/" + property + "/login";
            String form = "{\"user\":\"paddler\",\"password\":\"%s\",\"header\":\"X-Staging\",\"value\":\"7\"}";
            assertThat(api.method("PUT", login, form.formatted("salt & tide")).body())
                    .isEqualTo("{\"user\":\"paddler\",\"header\":\"X-Staging\"}");
            assertThat(api.method("PUT", login, form.formatted("")).status())
                    .as("the password stays")
                    .isEqualTo(200);
            assertThat(sweep("")).isEqualTo("1 page captured, 1 link leads to another host.");
            assertThat(seen).as("what another host was sent").containsOnly("null");
            assertThat(api.method("PUT", login, "{\"header\":\"Host\",\"value\":\"x\"}")
                            .problem())
                    .contains("is set by the sweep");
            assertThat(api.method("PUT", login, "{\"header\":\"X-A\",\"value\":\"se\\r\\ncret\"}")
                            .problem())
                    .contains("a header may not have")
                    .doesNotContain("cret");
            assertThat(api.method("PUT", login, "{}").body()).isEqualTo("{\"user\":\"\",\"header\":\"\"}");
            run("");
            assertThat(visits("error-status")).containsEntry("/", "it answers 401");
        }
    }

    @Test
    void aServerThatAsksForRestGetsIt() {
        int[] refusals = {2};
        site.answer("/tours/", exchange -> {
            boolean refuse = refusals[0]-- > 0;
            if (refuse) exchange.getResponseHeaders().set("Retry-After", "1");
            byte[] body = "<title>Guided tours</title>".getBytes(StandardCharsets.UTF_8);
            exchange.getResponseHeaders().set("Content-Type", "text/html");
            exchange.sendResponseHeaders(refuse ? 429 : 200, body.length);
            exchange.getResponseBody().write(body);
        });
        sweep("");
        assertThat(visits("captured")).containsKeys("/tours/", "/hire/");
        List<Long> times = site.requests().stream()
                .filter(request -> request.path().equals("/tours/"))
                .map(Site.Request::nanos)
                .toList();
        assertThat(times).hasSize(3);
        assertThat(times.get(1) - times.get(0)).as("ns").isGreaterThan(900_000_000L);
        assertThat(times.get(2) - times.get(1)).as("ns").isGreaterThan(900_000_000L);
    }

    @Test
    void oneItemIsLookedAtAgainByItself() {
        sweep("");
        site.page("/hire/", "Hire a kayak by the hour").page("/tours/", "Tours, changed too");
        JsonNode row = api.get("/api/properties/" + property + "/items?q=/hire/")
                .json()
                .path("rows")
                .get(0);
        JsonNode swept = api.post("/api/items/" + row.path("id") + "/sweep", "").json();
        api.ended(swept.path("jobId").asLong());
        assertThat(api.get("/api/items/" + row.path("id"))
                        .json()
                        .path("title")
                        .path("captured")
                        .asString())
                .isEqualTo("Hire a kayak by the hour");
        assertThat(visits(null)).containsOnlyKeys("/hire/");
        assertThat(items()).isEqualTo(7);
    }

    @Test
    void aScopeIsTriedOnAddressesBeforeItIsUsed() {
        sweep("");
        JsonNode tried = api.post(
                        "/api/properties/" + property + "/scope",
                        "{" + FAST
                                + ",\"include\":[\"/tours/\"],\"exclude\":[\"/*seal$\"],\"withoutParameters\":[\"ref\"]}")
                .json();
        assertThat(tried.path("inside").asInt()).isEqualTo(3);
        assertThat(tried.path("outside").asInt()).isEqualTo(4);
        Map<String, String> samples = new TreeMap<>();
        tried.path("samples")
                .forEach(sample -> samples.put(
                        path(sample.path("address").asString()),
                        sample.path("objection").isNull()
                                ? path(sample.path("normal").asString())
                                : sample.path("objection").asString()));
        assertThat(samples)
                .containsEntry("/tours/otter?ref=home&day=2", "/tours/otter?day=2")
                .containsEntry("/tours/seal", "excluded by /*seal$")
                .containsEntry("/hire/", "does not fit /tours/");
    }

    private String sweep(String more) {
        JsonNode job = run(more);
        assertThat(job.path("state").asString()).as(job.toString()).isEqualTo("done");
        return job.path("note").asString();
    }

    private JsonNode run(String more) {
        String settings = "{" + FAST + (more.isEmpty() ? "" : "," + more) + "}";
        JsonNode started =
                api.post("/api/properties/" + property + "/sweeps", settings).json();
        assertThat(started.path("jobId").asLong()).as(started.toString()).isPositive();
        return api.ended(started.path("jobId").asLong());
    }

    /** What the last sweep said of addresses with an outcome, or of all. */
    private Map<String, String> visits(String outcome) {
        long sweep = api.get("/api/properties/" + property + "/sweeps")
                .json()
                .get(0)
                .path("id")
                .asLong();
        Map<String, String> found = new TreeMap<>();
        String only = outcome == null ? "" : "?outcome=" + outcome;
        for (JsonNode visit : api.get("/api/sweeps/" + sweep + "/visits" + only).json())
            found.put(
                    path(visit.path("address").asString()), visit.path("detail").asString());
        return found;
    }

    private String path(String address) {
        return address.startsWith(site.address())
                ? address.substring(site.address().length() - 1)
                : address;
    }

    private List<String> asked() {
        return new ArrayList<>(site.requests().stream().map(Site.Request::path).toList());
    }

    private int items() {
        return api.get("/api/properties/" + property + "/items")
                .json()
                .path("total")
                .asInt();
    }
}
