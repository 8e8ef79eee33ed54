package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The texts of images and links, and what pages are shared as: drafted, checked, composed, delivered and seen live. */
@ExtendWith(RunningApplication.class)
class PagePartsTest {

    private static final String IMAGES = "<img src='/img/red-canoe.jpg'><img src='/img/slip.jpg' alt='IMG_2041'>"
            + "<img src='/img/line.gif' alt=''><img src='/img/oars.jpg' alt='Two oars of ash'>";

    private Api api;
    private Site site;
    private Shop pages;

    @BeforeEach
    void sweptSite(Api api) {
        this.api = api;
        site = new Site()
                .html(
                        "/",
                        "<title>Boats of the bay</title><h1>Boats</h1><main><p>Our boats: <a href='/oars'>click here</a>,"
                                + " <a href='/canoes'>red canoes for two</a>. The shed stands at the slip since 1987.</p></main>")
                .html("/canoes", page("Red canoes", IMAGES))
                .html("/oars", page("Oars of ash", "<meta property='og:title' content='Something else'>"));
        long property = api.property("website", site.address(), true);
        api.sweep(property);
        pages = new Shop(api, property);
    }

    private static String page(String title, String body) {
        return "<title>" + title + " from the boat shed</title><h1>" + title + "</h1>" + body;
    }

    @AfterEach
    void close() {
        site.close();
    }

    private JsonNode row(String path) {
        return StreamSupport.stream(
                        pages.get("/items?parts=true").json().path("rows").spliterator(), false)
                .filter(row -> row.path("address").asString().endsWith(path))
                .findFirst()
                .orElseThrow();
    }

    private Stream<String> findings(String path, String field) {
        return StreamSupport.stream(row(path).path("findings").spliterator(), false)
                .filter(finding -> finding.path("field").asString().equals(field))
                .map(finding -> finding.path("check").asString());
    }

    private Reply type(String path, String field, String text) {
        return pages.post(
                "/cells",
                "[{\"itemId\":" + row(path).path("id").asLong() + ",\"field\":\"" + field + "\",\"text\":\""
                        + text.replace("\n", "\\n").replace("\t", "\\t") + "\"}]");
    }

    @Test
    void altTextsAreComposedWhereTheySayNothing() {
        assertThat(row("/canoes").path("images").path("captured").asString())
                .isEqualTo(
                        "/img/red-canoe.jpg\n/img/slip.jpg\tIMG_2041\n/img/line.gif\t\n/img/oars.jpg\tTwo oars of ash");
        assertThat(findings("/canoes", "images")).containsExactlyInAnyOrder("missing", "file-name");

        pages.batch(edit("recipe", "images", recipe("H1")));

        assertThat(row("/canoes").path("images").path("draft").asString())
                .as("two images of a page never get the same text; decoration stays")
                .isEqualTo("/img/red-canoe.jpg\tRed canoes\n/img/slip.jpg\tRed canoes – slip\n/img/line.gif\t\n"
                        + "/img/oars.jpg\tTwo oars of ash");
        assertThat(findings("/canoes", "images")).isEmpty();
        assertThat(row("/").path("images").isNull()).as("has no image").isTrue();

        pages.batch(edit("replace", "images", "\"find\":\"red\",\"with\":\"Blue\""));
        assertThat(row("/canoes").path("images").path("draft").asString())
                .as("addresses are no texts")
                .startsWith("/img/red-canoe.jpg\tBlue canoes\n");
        undoLast();
        undoLast();
        assertThat(row("/canoes").path("images").path("draft").isNull()).isTrue();
        assertThat(findings("/canoes", "images")).containsExactlyInAnyOrder("missing", "file-name");
    }

    private static String recipe(String kind) {
        return "\"recipe\":{\"parts\":[{\"sources\":[{\"kind\":\"" + kind
                + "\",\"text\":\"\"}],\"before\":\"\",\"letterCase\":\"AS_IS\",\"rank\":1,\"shortenable\":false}]}";
    }

    private void undoLast() {
        JsonNode last = pages.get("/batches")
                .json()
                .valueStream()
                .filter(batch -> batch.path("state").asString().equals("applied"))
                .findFirst()
                .orElseThrow();
        assertThat(api.post("/api/batches/" + last.path("id").asLong() + "/undo", "")
                        .status())
                .isEqualTo(200);
    }

    @Test
    void whatIsTypedGoesToTheImagesThatThePageHas() {
        type("/canoes", "images", "/img/slip.jpg\tThe  slip at low tide\n/img/elsewhere.jpg\tNot here");
        assertThat(row("/canoes").path("images").path("draft").asString().lines())
                .containsExactly(
                        "/img/red-canoe.jpg",
                        "/img/slip.jpg\tThe slip at low tide",
                        "/img/line.gif\t",
                        "/img/oars.jpg\tTwo oars of ash");
        assertThat(findings("/canoes", "images")).containsExactly("missing");
        assertThat(type("/canoes", "images", "A canoe").problem())
                .contains("a line for each alt text")
                .contains("A canoe");
    }

    @Test
    void linksAreNamedAfterThePagesTheyLeadTo() {
        String address = site.address();
        assertThat(findings("/", "links")).containsExactly("generic");
        pages.batch(edit("recipe", "links", recipe("LINKED_H1")));
        assertThat(row("/").path("links").path("draft").asString())
                .isEqualTo(address + "oars\tOars of ash\n" + address + "canoes\tred canoes for two");
        assertThat(findings("/", "links")).isEmpty();
    }

    @Test
    void whatAPageIsSharedAsIsHeldAgainstItsTitle() {
        assertThat(findings("/oars", "head")).containsExactlyInAnyOrder("shared-incomplete", "shared-other");
        type("/oars", "og-title", "Oars of ash");
        assertThat(findings("/oars", "head")).containsExactly("shared-incomplete");
        type("/oars", "og-description", "Turned in the long shed.");
        assertThat(findings("/oars", "head")).isEmpty();
    }

    @Test
    void theyAreDeliveredPartByPartAndSeenLive() {
        type("/canoes", "images", "/img/red-canoe.jpg\tA red canoe");
        String sheet =
                pages.post("/review-sheets/sheet.html", "{\"selection\":{}}").body();
        assertThat(sheet)
                .as("a client is shown what changes of them, and leaves the list as it is")
                .contains(
                        "\"before\":\"/img/red-canoe.jpg: none\",\"after\":\"/img/red-canoe.jpg: A red canoe\",\"reword\":false");
        type("/oars", "og-title", "Oars of ash");
        pages.post("/decisions", "{\"selection\":{},\"fields\":[],\"state\":\"approved\"}");
        JsonNode handover = pages.post("/handovers", "{\"format\":\"csv\"}").json();
        String address = site.address();
        assertThat(api.get("/api/handovers/" + handover.path("id").asLong() + "/file")
                        .body()
                        .lines()
                        .toList())
                .containsExactlyInAnyOrderElementsOf(List.of(
                        "address,field,part,before,after",
                        address + "canoes,images,/img/red-canoe.jpg,,A red canoe",
                        address + "oars,og-title,,Something else,Oars of ash"));

        site.html("/oars", page("Oars of ash", "<meta property='og:title' content='Oars of ash'>"));
        api.sweep(pages.property());
        assertThat(row("/oars").path("ogTitle").path("state").asString()).isEqualTo("live");
        assertThat(row("/canoes").path("images").path("state").asString()).isEqualTo("delivered");
    }
}
