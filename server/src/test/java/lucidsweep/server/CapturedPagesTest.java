package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Everything that a sweep keeps of a page, its scripts run or not. */
@ExtendWith(RunningApplication.class)
class CapturedPagesTest {

    private static final String PATIENCE = "lucid.script-seconds";

    private static final String BUILT = """
            <!doctype html><html lang=en><head><title>Loading …</title>
            <script src="/app.js"></script>
            <script src="http://10.1.2.3/private.js"></script></head>
            <body><div id=app></div><a href="/plain">plain</a>
            <script>document.title = "Kayak hire, " + (window.season || "no season");
            fetch("/boats.json").then(r => r.json()).then(boats => {
              document.getElementById("app").innerHTML = "<h1>" + boats[0] + "</h1><a href='/built'>built</a>";
              new Image().src = "/counter.gif";
              navigator.sendBeacon("/beacon", "seen");
              fetch("/order", { method: "POST", body: "1" });
              setTimeout(() => { location.href = "/elsewhere"; }, 0);
            });</script></body></html>
            """;

    private final Site site = new Site();
    private Api api;
    private long property;

    @BeforeEach
    void addSite(Api api) {
        this.api = api;
        property = api.property("website", site.address(), true);
        site.html("/", BUILT)
                .page("/plain", "Plain as it came")
                .page("/built", "Found by a script only")
                .page("/elsewhere", "Nobody links here")
                .answer("/app.js", 200, "text/javascript", "window.season = 'spring'".getBytes(StandardCharsets.UTF_8))
                .answer(
                        "/boats.json",
                        200,
                        "application/json",
                        "[\"Otter, a sea kayak\"]".getBytes(StandardCharsets.UTF_8));
    }

    @AfterEach
    void closeSite() {
        System.clearProperty(PATIENCE);
        site.close();
    }

    private String sweep(String more) {
        Reply begun = api.post(
                "/api/properties/" + property + "/sweeps",
                "{\"maxPages\":50,\"maxDepth\":9,\"connections\":2,\"delayMs\":0," + more + "}");
        assertThat(begun.status()).as(begun.body()).isEqualTo(200);
        return api.ended(begun.json().path("jobId").asLong()).path("note").asString();
    }

    private JsonNode item(String path) {
        for (JsonNode row :
                api.get("/api/properties/" + property + "/items").json().path("rows")) {
            if (row.path("address").asString().equals(site.address() + path.substring(1))) return row;
        }
        throw new IllegalStateException("there is no item at " + path);
    }

    private JsonNode captured(String path) {
        return api.get("/api/items/" + item(path).path("id").asLong() + "/captured")
                .json();
    }

    private List<String> asked() {
        return site.requests().stream().map(Site.Request::path).toList();
    }

    @Test
    void pagesAreReadAsTheirScriptsBuildThem() {
        assertThat(sweep("\"scripts\":false")).isEqualTo("2 pages captured.");
        assertThat(item("/").path("title").path("captured").asString()).isEqualTo("Loading …");

        assertThat(sweep("\"scripts\":true")).isEqualTo("3 pages captured.");
        assertThat(item("/").path("title").path("captured").asString()).isEqualTo("Kayak hire, spring");
        assertThat(item("/").path("h1").asString()).isEqualTo("Otter, a sea kayak");
        assertThat(item("/built").path("title").path("captured").asString()).isEqualTo("Found by a script only");
        assertThat(captured("/").path("page").path("scripts").toString())
                .contains("{\"field\":\"title\",\"delivered\":\"Loading …\",\"built\":\"Kayak hire, spring\"}")
                .contains("{\"field\":\"links\",\"delivered\":\"1\",\"built\":\"2\"}");
        assertThat(captured("/plain").path("page").path("scripts")).isEmpty();
        assertThat(asked())
                .as("a page is looked at, nothing is ordered, counted or followed")
                .doesNotContain("/order", "/beacon", "/counter.gif", "/elsewhere");
        assertThat(asked().stream().filter("/app.js"::equals))
                .as("once a sweep")
                .hasSize(1);
    }

    @Test
    void whatScriptsDoToTheirReaderIsAReason() {
        System.setProperty(PATIENCE, "2");
        site.html("/", "<title>For ever</title><h1>For ever</h1><script>while (true);</script>");
        assertThat(sweep("\"scripts\":true")).isEqualTo("1 page captured.");
        assertThat(item("/").path("title").path("captured").asString()).isEqualTo("For ever");
        System.setProperty(PATIENCE, "8");
        String later = "<title>As it came</title><script>setTimeout(() => { while (true); }, 50)</script>";
        site.page("/", "Start", "/a", "/b")
                .html("/a", later)
                .html("/b", "<title>Last</title><script>document.title = 'Built at last'</script>");
        assertThat(sweep("\"scripts\":true")).isEqualTo("3 pages captured.");
        assertThat(item("/a").path("title").path("captured").asString()).isEqualTo("As it came");
        assertThat(item("/b").path("title").path("captured").asString())
                .as("a page that hangs holds up no other")
                .isEqualTo("Built at last");
        assertThat(api.get("/api/properties/" + property + "/sweeps")
                        .json()
                        .get(0)
                        .path("state")
                        .asString())
                .isEqualTo("done");
        long sweep = api.get("/api/properties/" + property + "/sweeps")
                .json()
                .get(0)
                .path("id")
                .asLong();
        assertThat(api.get("/api/sweeps/" + sweep + "/visits?outcome=captured").body())
                .contains("its scripts could not be run");
    }

    @Test
    void theMarkupIsKeptWhereThatIsAskedForAndTheAgentHasItsName() {
        sweep("\"agent\":\"Tarrin-Audit\"");
        assertThat(captured("/").path("hasSource").asBoolean()).isFalse();
        site.answer("/robots.txt", 200, "text/plain", """
                User-agent: *
                Allow: /
                User-agent: tarrin-audit
                Disallow: /plain
                """.getBytes(StandardCharsets.UTF_8));
        assertThat(sweep("\"agent\":\"Tarrin-Audit\",\"keepsSource\":true"))
                .isEqualTo("1 page captured, 1 is gone since the last sweep.");
        assertThat(captured("/").path("hasSource").asBoolean()).isTrue();
        Reply source = api.get("/api/items/" + item("/").path("id").asLong() + "/source");
        assertThat(source.body()).isEqualTo(BUILT);
        assertThat(source.response().headers().firstValue("content-type").orElse(""))
                .startsWith("text/plain");
        assertThat(api.post(
                                "/api/properties/" + property + "/sweeps",
                                "{\"maxPages\":5,\"maxDepth\":1,\"connections\":1,\"delayMs\":0,\"agent\":\"a b\"}")
                        .problem())
                .contains("letters, - and _");
    }

    @Test
    void everythingCapturedCanBeSeen() {
        site.html("/", """
                <html lang=en><head><title>Kayaks</title><link rel=canonical href="/">
                <meta property="og:title" content="Kayaks to share"><meta property="og:description" content="On the bay">
                <link rel=alternate hreflang=de href="/de/">
                <script type="application/ld+json">{"@type":"Product","name":"Otter","aggregateRating":
                {"ratingValue":"4.7","reviewCount":"31"}}</script></head>
                <body><nav><a href="/plain">Plain</a></nav><p><img src="otter.jpg" alt="An otter">
                <a rel=nofollow href="/index.html">again</a></p></body></html>
                """);
        sweep("\"scripts\":false,\"pastRobots\":true");
        JsonNode seen = captured("/");
        assertThat(seen.path("page").path("shared").path("title").asString()).isEqualTo("Kayaks to share");
        assertThat(seen.path("page").path("alternates").toString())
                .isEqualTo("[{\"language\":\"de\",\"address\":\"/de/\"}]");
        assertThat(seen.path("page").path("structured").path("rating").asString())
                .isEqualTo("4.7 of 31");
        assertThat(seen.path("page").path("images").toString())
                .isEqualTo("[{\"address\":\"otter.jpg\",\"alt\":\"An otter\"}]");
        assertThat(seen.path("links").toString())
                .contains("\"text\":\"Plain\",\"place\":\"NAVIGATION\",\"nofollow\":false")
                .contains("\"text\":\"again\",\"place\":\"COPY\",\"nofollow\":true");
        assertThat(seen.path("linkCount").asInt()).isEqualTo(2);
        Shop shop = new Shop(api, "id,title,colour\nA,Ash paddle,red\n");
        long listing = shop.row("A").path("id").asLong();
        assertThat(api.get("/api/items/" + listing + "/captured")
                        .json()
                        .path("cells")
                        .toString())
                .isEqualTo("[{\"column\":\"id\",\"cell\":\"A\"},{\"column\":\"title\",\"cell\":\"Ash paddle\"},"
                        + "{\"column\":\"colour\",\"cell\":\"red\"}]");
    }

    @Test
    void thePagesThatAreTheSameAreOneGroup() {
        site.page("/", "Kayaks on the bay", "/tours", "/tours/", "/tours/?ref=a")
                .page("/tours", "Guided tours")
                .page("/tours/", "Guided tours")
                .page("/tours/?ref=a", "Guided tours")
                .html(
                        "/",
                        "<title>Kayaks on the bay</title><link rel=canonical href='file:///srv/site/index.html'>"
                                + "<a href=/tours>a</a><a href=/tours/>b</a><a href='/tours/?ref=a'>c</a>");
        assertThat(sweep("\"scripts\":false")).isEqualTo("4 pages captured, 2 are the same page as another.");
        long grouped = List.of("/tours", "/tours/", "/tours/?ref=a").stream()
                .map(this::captured)
                .filter(page -> page.path("alsoAt").size() == 2)
                .count();
        assertThat(grouped).as("one that names the two others").isEqualTo(1);
        assertThat(api.get("/api/properties/" + property + "/items?check=missing&field=description")
                        .json()
                        .path("total")
                        .asInt())
                .as("what is wrong with a page is said once")
                .isEqualTo(2);
        assertThat(item("/").path("noindex").isNull())
                .as("a canonical that is no web address hides nothing")
                .isTrue();
    }
}
