package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** H1s, slugs and the indexing switch: drafted, checked, undone and delivered as titles are. */
@ExtendWith(RunningApplication.class)
class PageFieldsTest {

    private Api api;
    private Site site;
    private Shop pages;

    @BeforeEach
    void sweptSite(Api api) {
        this.api = api;
        site = new Site()
                .page(
                        "/",
                        "Boats of the bay",
                        "/hire/Kayak_Hire.html",
                        "/hire/oars",
                        "/hire/boats-for-two",
                        "/hidden",
                        "/bare")
                .page("/hire/Kayak_Hire.html", "Kayak hire at the slip")
                .page("/hire/oars", "Oars by the day")
                .page("/hire/boats-for-two", "Boats for two")
                .html("/hidden", "<title>Hidden boats</title><meta name='robots' content='noindex'><h1>Hidden</h1>")
                .html("/bare", "<title>A bare page without a heading</title><p>Nothing to see.</p>");
        long property = api.property("website", site.address(), true);
        api.sweep(property);
        pages = new Shop(api, property);
    }

    @AfterEach
    void close() {
        site.close();
    }

    private JsonNode page(String path) {
        for (JsonNode row : pages.get("/items?count=50").json().path("rows"))
            if (row.path("address").asString().endsWith(path)) return row;
        throw new AssertionError("there is no page " + path);
    }

    private Reply type(String path, String field, String text) {
        return pages.post(
                "/cells",
                "[{\"itemId\":" + page(path).path("id").asLong() + ",\"field\":\"" + field + "\",\"text\":\"" + text
                        + "\"}]");
    }

    private List<String> checks(String path, String field) {
        List<String> found = new ArrayList<>();
        for (JsonNode finding : page(path).path("findings"))
            if (finding.path("field").asString().equals(field))
                found.add(finding.path("check").asString());
        return found;
    }

    private static String inForce(JsonNode cell) {
        return cell.path("draft").isNull()
                ? cell.path("captured").asString()
                : cell.path("draft").asString();
    }

    @Test
    void aDraftedHeadingEndsItsFindings() {
        assertThat(checks("/bare", "h1")).containsExactly("missing");
        JsonNode batch = type("/bare", "h1", "A bare page").json();
        assertThat(inForce(page("/bare").path("heading"))).isEqualTo("A bare page");
        assertThat(checks("/bare", "h1")).isEmpty();
        assertThat(pages.total("state=drafted&field=h1")).isEqualTo(1);
        assertThat(api.get("/api/items/" + page("/bare").path("id").asLong() + "/history")
                        .json()
                        .get(0)
                        .path("field")
                        .asString())
                .isEqualTo("h1");
        api.post("/api/batches/" + batch.path("id").asLong() + "/undo", "");
        assertThat(checks("/bare", "h1")).containsExactly("missing");
        assertThat(pages.total("state=drafted")).isZero();
    }

    @Test
    void slugsAreWrittenAsSlugsAndStayUnique() {
        assertThat(page("/").path("slug").isNull())
                .as("the start page has none")
                .isTrue();
        assertThat(checks("/Kayak_Hire.html", "slug")).contains("capitals", "underscores");
        assertThat(type("/Kayak_Hire.html", "slug", "Kayak hire, by the day").status())
                .isEqualTo(200);
        assertThat(inForce(page("/Kayak_Hire.html").path("slug"))).isEqualTo("kayak-hire-by-the-day");
        assertThat(checks("/Kayak_Hire.html", "slug")).isEmpty();
        assertThat(type("/hire/oars", "slug", "boats for two").problem())
                .isEqualTo("another item is at " + site.address()
                        + "hire/boats-for-two, or is to be; nothing was changed");
        assertThat(type("/hire/oars", "slug", "…").problem()).startsWith("expected a slug such as");
        // The ending of a file belongs to the address: "kayak-hire-by-the-day.html" is another one.
        assertThat(type("/hire/oars", "slug", "kayak-hire-by-the-day").status()).isEqualTo(200);
    }

    @Test
    void recipesMakeSlugsThatNoTwoPagesShare() {
        String recipe = """
                "recipe":{"parts":[{"sources":[{"kind":"FIXED","text":"Boats & more"}],"before":"","letterCase":"AS_IS",
                "rank":1,"shortenable":false,"encloses":"","onlyIf":[]}]}""";
        JsonNode batch = pages.batch(edit("recipe", "slug", recipe));
        List<String> slugs = new ArrayList<>();
        for (String path : List.of("/hire/oars", "/hire/boats-for-two", "/hidden", "/bare"))
            slugs.add(inForce(page(path).path("slug")));
        // In one folder each has its own; another folder begins anew. Pages come in the order in which they answered.
        assertThat(slugs.subList(0, 2)).containsExactlyInAnyOrder("boats-more", "boats-more-2");
        assertThat(slugs.subList(2, 4)).containsExactlyInAnyOrder("boats-more", "boats-more-2");
        assertThat(batch.path("items").asInt()).isEqualTo(5);
        assertThat(pages.preview(edit("recipe", "slug", recipe)).path("changes").asInt())
                .as("what stands stays")
                .isZero();
    }

    /** Filled, pasted and discarded as other columns are. */
    @Test
    void rectanglesOfHeadingsAndSlugsAreChangedAsOne() {
        String range = "{\"action\":\"%s\",\"filter\":{\"section\":\"/hire/\"},\"order\":{\"sort\":\"address\"},"
                + "\"from\":0,\"count\":3,\"fields\":%s%s}";
        Reply pasted = pages.post(
                "/ranges",
                range.formatted(
                        "PASTE",
                        "[\"h1\",\"slug\"]",
                        ",\"cells\":[[\"One\",\"First slug\"],[\"Two\",\"Second slug\"],[\"Three\",\"Third slug\"]]"));
        assertThat(pasted.status()).as(pasted.body()).isEqualTo(200);
        assertThat(pasted.json().path("batch").path("items").asInt()).isEqualTo(6);
        List<String> slugs = new ArrayList<>();
        for (String path : List.of("/Kayak_Hire.html", "/hire/boats-for-two", "/hire/oars"))
            slugs.add(inForce(page(path).path("heading")) + " "
                    + inForce(page(path).path("slug")));
        assertThat(slugs).containsExactlyInAnyOrder("One first-slug", "Two second-slug", "Three third-slug");
        assertThat(pages.post("/ranges", range.formatted("FILL", "[\"slug\"]", ""))
                        .problem())
                .as("one slug for all of a folder")
                .startsWith("another item is at ");
        pages.post("/ranges", range.formatted("REVERT", "[\"h1\",\"slug\"]", ""));
        assertThat(pages.total("state=drafted")).isZero();
    }

    @Test
    void whatIsKeptStays() {
        String keep = "{\"selection\":{},\"fields\":[\"h1\"],\"reason\":\"The client wrote them.\"}";
        assertThat(pages.post("/keeps", keep).json().path("fields").asInt()).isEqualTo(6);
        assertThat(checks("/bare", "h1")).as("what is kept is no finding").isEmpty();
        assertThat(pages.preview(edit("after", "h1", "\"with\":\"!\""))
                        .path("kept")
                        .asInt())
                .isEqualTo(6);
    }

    @Test
    void indexingIsSwitchedAndWhatItEndsIsSaid() {
        assertThat(checks("/hidden", "indexing")).contains("not-indexable");
        assertThat(type("/hidden", "indexing", "perhaps").problem())
                .isEqualTo("expected index or noindex, got \"perhaps\"");
        type("/hidden", "indexing", "index");
        assertThat(checks("/hidden", "indexing")).isEmpty();
        long[] ids = {page("/bare").path("id").asLong()};
        JsonNode preview = pages.preview(edit("indexing", "indexing", "\"with\":\"noindex\"", ids));
        assertThat(preview.path("changes").asInt()).isEqualTo(1);
        pages.batch(edit("indexing", "indexing", "\"with\":\"noindex\"", ids));
        assertThat(checks("/bare", "indexing")).contains("not-indexable");
        assertThat(pages.post("/previews", edit("replace", "indexing", "\"find\":\"x\""))
                        .problem())
                .isEqualTo("replace does not go with indexing");
    }

    @Test
    void whatFollowsFromANewSlugOrASwitchIsSaid() {
        assertThat(follows("/hire/oars", "slug", "long-oars"))
                .isEqualTo(
                        "1 internal link leads to this page by the old address and has to change; until then a redirect"
                                + " leads on.");
        assertThat(follows("/hire/oars", "indexing", "noindex"))
                .isEqualTo("This page had no impressions in the last thirteen weeks. Internal links to it: 1.");
        pages.importDemand("address,query,from,to,clicks,impressions,position\n" + site.address()
                + "hire/oars,oars,2026-11-02,2026-11-08,12,300,4\n");
        assertThat(follows("/hire/oars", "indexing", "noindex"))
                .startsWith("This page had 12 clicks and 300 impressions in the last thirteen weeks.");
        assertThat(follows("/hire/oars", "title", "Oars")).isEmpty();
        long[] two = {
            page("/hire/oars").path("id").asLong(),
            page("/hire/boats-for-two").path("id").asLong()
        };
        assertThat(pages.preview(edit("indexing", "indexing", "\"with\":\"noindex\"", two))
                        .path("says")
                        .asString())
                .isEqualTo("These 2 pages had 12 clicks and 300 impressions in the last thirteen weeks."
                        + " Internal links to them: 2.");
    }

    private String follows(String path, String field, String after) {
        return api.get("/api/items/" + page(path).path("id").asLong() + "/consequences?field=" + field + "&after="
                        + after)
                .json()
                .path("says")
                .asString();
    }

    @Test
    void newSlugsAreDeliveredAsRedirectsWithoutChains() {
        type("/hire/oars", "slug", "oars-by-the-day");
        type("/hire/oars", "title", "Oars by the day at the slip");
        pages.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
        JsonNode first = pages.post("/handovers", "{\"format\":\"redirects\"}").json();
        assertThat(first.path("texts").asInt()).isEqualTo(1);
        String hire = site.address() + "hire/";
        assertThat(file(first)).isEqualTo("from,to\n" + hire + "oars," + hire + "oars-by-the-day\n");
        assertThat(pages.total("state=approved&field=title"))
                .as("has no place in redirects")
                .isEqualTo(1);

        site.redirect("/hire/oars", "/hire/oars-by-the-day")
                .page("/hire/oars-by-the-day", "Oars by the day")
                .page("/", "Boats of the bay", "/hire/oars-by-the-day", "/hire/boats-for-two");
        api.sweep(pages.property());
        type("/hire/oars-by-the-day", "slug", "oars");
        pages.post("/decisions", "{\"selection\":{},\"fields\":[\"slug\"],\"state\":\"approved\"}");
        assertThat(file(pages.post("/handovers", "{\"format\":\"redirects\"}").json()))
                .as("what moved there and back leads nowhere else")
                .isEqualTo("from,to\n" + hire + "oars-by-the-day," + hire + "oars\n");
    }

    @Test
    void redirectsComeAsWebServersReadThem() {
        type("/hire/oars", "slug", "oars-by-the-day");
        approve();
        String hire = site.address() + "hire/";
        assertThat(pages.post("/handovers", "{\"format\":\"html\"}").problem()).contains("no place for any");
        assertThat(file(pages.post("/handovers", "{\"format\":\"nginx\"}").json()))
                .startsWith("# Include this file within http { ... }")
                .contains("map $request_uri $moved_to {\n    default \"\";\n    \"~^/hire/oars(\\?|$)\" \"" + hire
                        + "oars-by-the-day\";\n}\n");
        type("/hire/Kayak_Hire.html", "slug", "kayak-hire");
        approve();
        JsonNode apache = pages.post("/handovers", "{\"format\":\"apache\"}").json();
        assertThat(file(apache))
                .contains("RedirectMatch 301 \"^/hire/Kayak_Hire\\.html$\" \"" + hire + "kayak-hire.html\"");
        assertThat(api.get("/api/handovers/" + apache.path("id").asLong() + "/sitemap.xml")
                        .body())
                .contains("<loc>" + hire + "kayak-hire.html</loc><lastmod>20")
                .doesNotContain("oars");
        byte[] sitemaps = api.bytes("/api/handovers/" + apache.path("id").asLong() + "/sitemaps.zip");
        assertThat(new String(sitemaps, StandardCharsets.ISO_8859_1))
                .startsWith("PK")
                .contains("-1.xml");
        assertThat(pages.get("/handover-formats").json().valueStream().map(JsonNode::asString))
                .containsExactly("csv", "xlsx", "json", "jsonl", "html", "redirects", "nginx", "apache");
    }

    private void approve() {
        pages.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
    }

    /** What was right when it was written may be a mistake by the time it is delivered. */
    @Test
    void mistakesAreSaidBeforeTheyAreDelivered() {
        assertThat(pages.get("/handover-objections").json()).isEmpty();
        type("/hire/oars", "title", "Boats for two");
        type("/hire/oars", "description", "Oars, paddles and all that goes with them, by the day.");
        type("/hire/oars", "slug", "oars-by-the-day");
        type(
                "/bare",
                "title",
                "A bare page without a heading that goes on for longer than any result page would show it");
        approve();
        site.page("/", "Boats of the bay", "/hire/oars", "/hire/oars-by-the-day", "/bare", "/hire/boats-for-two")
                .page("/hire/oars-by-the-day", "Oars by the day");
        api.sweep(pages.property());
        JsonNode objections = pages.get("/handover-objections").json();
        assertThat(objections
                        .valueStream()
                        .map(each -> each.path("mistake").asString() + " "
                                + each.path("examples").get(0).asString().replace(site.address(), "/")))
                .containsExactly("SAME_TEXT /hire/oars", "ADDRESS_TAKEN /hire/oars", "NO_FIT /bare");
    }

    private String file(JsonNode handover) {
        return api.get("/api/handovers/" + handover.path("id").asLong() + "/file")
                .body()
                .replace("\r\n", "\n");
    }

    @Test
    void thePageHeadSaysTheIndexing() {
        type("/hidden", "indexing", "index");
        type("/bare", "h1", "A bare page");
        pages.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
        String head = file(pages.post("/handovers", "{\"format\":\"html\"}").json());
        assertThat(head).contains("<meta name=\"robots\" content=\"index\">").doesNotContain("A bare page");
        String csv = file(pages.post("/handovers", "{\"format\":\"csv\"}").json());
        assertThat(csv).contains(",h1,,A bare page");
        // Swept again, what is there is live.
        site.html("/bare", "<title>A bare page without a heading</title><h1>A bare page</h1>")
                .html("/hidden", "<title>Hidden boats</title><h1>Hidden</h1>");
        api.sweep(pages.property());
        assertThat(page("/bare").path("heading").path("state").asString()).isEqualTo("live");
        assertThat(page("/hidden").path("indexing").path("state").asString()).isEqualTo("live");
    }
}
