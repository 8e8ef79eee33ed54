package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.net.httpserver.HttpServer;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.URI;
import java.net.http.HttpRequest;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.zip.GZIPOutputStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Whatever comes in from outside: each thing gets a sentence that helps, and nothing that was there is lost. */
@ExtendWith(RunningApplication.class)
class BadInputTest {

    @Test
    void hostilePagesEndInARecordedReasonAndTheSweepGoesOn(Api api) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 50);
        page(
                server,
                "/",
                "text/html",
                ("<title>Start of a trying site</title>"
                                + "<a href=/bomb>b</a><a href=/huge>h</a><a href=/broken>k</a><a href=/nohtml>n</a><a href=/lies>l</a><a href=/deep>d</a>"
                                + "<a href='http://[bad'>x</a><a href='/sp ace'>s</a>")
                        .getBytes(StandardCharsets.UTF_8));
        byte[] bomb = gzipped(("<title>Bomb</title>" + " ".repeat(80_000_000)).getBytes(StandardCharsets.UTF_8));
        server.createContext("/bomb", exchange -> {
            exchange.getResponseHeaders().set("Content-Encoding", "gzip");
            exchange.getResponseHeaders().set("Content-Type", "text/html");
            exchange.sendResponseHeaders(200, bomb.length);
            exchange.getResponseBody().write(bomb);
            exchange.close();
        });
        server.createContext("/huge", exchange -> {
            exchange.getResponseHeaders().set("Content-Type", "text/html");
            exchange.sendResponseHeaders(200, 0);
            byte[] chunk = ("<p>" + "x".repeat(100_000)).getBytes(StandardCharsets.UTF_8);
            try (OutputStream out = exchange.getResponseBody()) {
                out.write("<title>Huge page of three hundred megabytes</title>".getBytes(StandardCharsets.UTF_8));
                for (int i = 0; i < 3_000; i++) out.write(chunk);
            } catch (IOException readerLeft) {
                exchange.close();
            }
        });
        server.createContext("/broken", exchange -> {
            exchange.getResponseHeaders().set("Content-Type", "text/html");
            exchange.sendResponseHeaders(200, 500);
            exchange.getResponseBody().write("<title>half".getBytes(StandardCharsets.UTF_8));
            exchange.close();
        });
        page(server, "/nohtml", "application/json", "{}".getBytes(StandardCharsets.UTF_8));
        page(
                server,
                "/lies",
                "text/html; charset=martian",
                "<title>Grüße vom Planeten</title>".getBytes(StandardCharsets.UTF_8));
        page(
                server,
                "/deep",
                "text/html",
                ("<title>Deep</title>" + "<div>".repeat(100_000)).getBytes(StandardCharsets.UTF_8));
        page(server, "/sp", "text/html", "<title>A space in the address</title>".getBytes(StandardCharsets.UTF_8));
        server.start();
        try {
            long property = api.property(
                    "website", "http://127.0.0.1:" + server.getAddress().getPort() + "/", true);
            JsonNode job = api.sweep(property);
            assertThat(job.path("state").asString()).isEqualTo("done");
            long sweep = api.get("/api/properties/" + property + "/sweeps")
                    .json()
                    .get(0)
                    .path("id")
                    .asLong();
            String visits = api.get("/api/sweeps/" + sweep + "/visits").body();
            assertThat(visits).doesNotContain("\"waiting\"");
            assertThat(outcome(api, sweep, "/bomb")).isEqualTo("captured: only the first 5 MB were read");
            assertThat(outcome(api, sweep, "/huge")).isEqualTo("captured: only the first 5 MB were read");
            assertThat(outcome(api, sweep, "/broken")).startsWith("unreachable: the answer broke off");
            assertThat(outcome(api, sweep, "/nohtml")).isEqualTo("not-html: it is application/json");
            assertThat(outcome(api, sweep, "/lies")).isEqualTo("captured: ");
            assertThat(outcome(api, sweep, "/deep")).isEqualTo("captured: ");
            assertThat(outcome(api, sweep, "/sp%20ace")).isEqualTo("captured: ");
        } finally {
            server.stop(0);
        }
    }

    @ParameterizedTest
    @CsvSource({
        "http://127.0.0.1:9/, false, leads to the private address",
        "http://2130706433/, false, leads to the private address",
        "http://[::ffff:10.0.0.1]/, false, leads to the private address",
        "http://192.168.3.4/, false, leads to the private address",
        "http://127.0.0.1:9/, true, cannot be reached: nobody answers",
        "http://no-such-host.invalid/, true, cannot be reached",
    })
    void placesThatCannotOrMayNotBeReached(String address, boolean privateAllowed, String problem, Api api) {
        long property = api.property("website", address, privateAllowed);
        JsonNode job = api.sweep(property);
        assertThat(job.path("state").asString()).isEqualTo("failed");
        assertThat(job.path("note").asString()).contains(problem);
    }

    @Test
    void aRedirectDoesNotLeadIntoAPrivateNetwork(Api api) throws IOException {
        HttpServer server = HttpServer.create(new InetSocketAddress(InetAddress.getLoopbackAddress(), 0), 10);
        server.createContext("/", exchange -> {
            exchange.getResponseHeaders().set("Location", "http://10.0.0.1/admin");
            exchange.sendResponseHeaders(302, -1);
            exchange.close();
        });
        server.start();
        try {
            long property = api.property(
                    "website", "http://127.0.0.1:" + server.getAddress().getPort() + "/", true);
            api.method(
                    "PUT",
                    "/api/properties/" + property,
                    "{\"clientId\":1,\"kind\":\"website\",\"name\":\"x\",\"address\":\"http://localhost:"
                            + server.getAddress().getPort() + "/\",\"language\":\"en\",\"privateAllowed\":false}");
            assertThat(api.sweep(property).path("note").asString()).contains("private address");
        } finally {
            server.stop(0);
        }
    }

    @Test
    void filesOfEveryEncodingAndDelimiterAreRead(Api api) {
        String csv =
                "id,title,description\nA,Grüße aus Fennick – täglich,Text\nB,t,w,o,more\nC,,no title\nA,again,x\n,,y\n";
        Charset[] encodings = {
            StandardCharsets.UTF_8,
            StandardCharsets.UTF_16LE,
            StandardCharsets.UTF_16BE,
            Charset.forName("windows-1252")
        };
        for (Charset encoding : encodings) {
            for (char delimiter : new char[] {',', ';', '\t', '|'}) {
                long property = api.property("listings", "", false);
                byte[] content = csv.replace(',', delimiter).getBytes(encoding);
                Reply plan = api.upload("/api/properties/" + property + "/imports", "x.csv", content);
                assertThat(plan.json().path("columns"))
                        .as(encoding + " " + delimiter)
                        .hasSize(3);
                String token = plan.json().path("token").asString();
                Reply sweep =
                        api.post("/api/imports/" + token + "/apply", Api.choice("\"ID\",\"TITLE\",\"DESCRIPTION\""));
                assertThat(api.ended(sweep.json().path("jobId").asLong())
                                .path("note")
                                .asString())
                        .isEqualTo("2 listings read, 3 rows could not be read.");
                assertThat(api.get("/api/properties/" + property + "/items?q=A").body())
                        .contains("Grüße aus Fennick – täglich");
                String reasons = api.get("/api/sweeps/" + sweep.json().path("id") + "/visits?outcome=unreadable")
                        .body();
                assertThat(reasons)
                        .contains("line 3")
                        .contains("expected 3 cells, got 5")
                        .contains("the same as line 2")
                        .contains("no id, no address and no title");
            }
        }
    }

    @Test
    void filesThatAreNoTablesAreRefusedAndNothingIsLost(Api api) {
        long property = api.property("listings", "", false);
        api.importListings(property, "id,title\nA,Ash paddle\n");
        String path = "/api/properties/" + property + "/imports";
        assertThat(api.upload(path, "empty.csv", new byte[0]).problem()).contains("the file is empty");
        assertThat(api.upload(path, "blank.csv", "\n\n \n".getBytes()).problem())
                .contains("no line of text");
        assertThat(api.upload(path, "image.csv", new byte[] {(byte) 0x89, 'P', 'N', 'G', 0, 0, 1, 2, 0, 9})
                        .problem())
                .contains("no text file");
        JsonNode plan = api.upload(path, "twins.csv", "title,title,price\na,b,c\n".getBytes())
                .json();
        assertThat(plan.path("notes").toString())
                .contains("Two columns are called “title”")
                .contains("told apart by their titles");
        String token = plan.path("token").asString();
        assertThat(api.post("/api/imports/" + token + "/apply", Api.choice("\"TITLE\",\"TITLE\",\"UNUSED\""))
                        .problem())
                .contains("marked as the title");
        assertThat(api.post("/api/imports/" + token + "/apply", Api.choice("\"UNUSED\",\"UNUSED\",\"UNUSED\""))
                        .problem())
                .contains("no column looks like the id or address or title");
        assertThat(api.post("/api/imports/" + token + "/apply", Api.choice("\"TITLE\""))
                        .problem())
                .contains("each of 3 columns, got 1");
        assertThat(api.get("/api/properties/" + property + "/items")
                        .json()
                        .path("total")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void keywordListsAreReadAsFarAsTheyGo(Api api) {
        long property = api.property("listings", "", false);
        String list =
                "Keyword\\tVolume\\nash paddle\\t1,300\\noak paddle\\t1.3K\\nhttps://x.example/\\t5\\n\\t7\\nAsh  Paddles\\t-\\n"
                        + "x".repeat(300) + "\\t1\\n";
        JsonNode added = api.post("/api/properties/" + property + "/keywords", "{\"text\":\"" + list + "\"}")
                .json();
        assertThat(added.path("added").asInt()).isEqualTo(2);
        assertThat(added.path("known").asInt())
                .as("the same but for case and number")
                .isEqualTo(1);
        assertThat(added.path("unreadable").toString())
                .contains("an address, not a phrase")
                .contains("there is no keyword")
                .contains("300 characters");
        assertThat(api.get("/api/properties/" + property + "/keywords").body()).contains("\"volume\":1300");
        assertThat(api.post("/api/properties/" + property + "/keywords", "{\"text\":\"  \"}")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void formsSayWhatIsMissing(Api api) {
        assertThat(api.post("/api/clients", "{\"name\":\" \",\"brand\":\"\",\"places\":\"\"}")
                        .problem())
                .contains("name is needed");
        assertThat(api.post("/api/clients", "not json").status()).isEqualTo(400);
        assertThat(api.get("/api/properties/999999").problem()).isEqualTo("there is no property 999999");
        assertThat(api.get("/api/properties/none").status()).isEqualTo(400);
        long listings = api.property("listings", "", false);
        assertThat(api.post(
                                "/api/properties/" + listings + "/sweeps",
                                "{\"maxPages\":5,\"maxDepth\":1,\"connections\":1,\"delayMs\":0}")
                        .problem())
                .contains("only websites can be crawled");
        assertThat(api.get("/api/properties/" + listings + "/items?sort=colour").problem())
                .contains("\"colour\"");
        assertThat(api.get("/api/nowhere").status()).isEqualTo(404);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "items?check=odd | check: expected one of not-indexable, searched, linked,",
                "items?field=link | field: expected one of title, description, tags, h1, slug, images, links, head, og-title, og-description, indexing, got \"link\"",
                "items?asOf=soon | asOf: \"soon\" is not what is expected there",
                "comparison?before=1&after=1&kind=odd | kind: expected one of NEW, GONE, MOVED, CHANGED, got \"odd\""
            })
    void whatAnAddressNamesAndNobodyKnowsIsSaidWithWhatIsKnown(String path, String says, Api api) {
        long property = api.property("listings", "", false);
        Reply reply = api.get("/api/properties/" + property + "/" + path);
        assertThat(reply.status()).isIn(400, 422);
        assertThat(reply.problem()).startsWith(says);
        assertThat(reply.body()).doesNotContain("lucidsweep.").doesNotContain("java.lang");
    }

    @Test
    void removedThingsComeBack(Api api) {
        long property = api.property("listings", "", false);
        api.importListings(property, "id,title\nA,Ash paddle\n");
        api.send(HttpRequest.newBuilder(URI.create(api.base() + "/api/properties/" + property))
                .DELETE()
                .build());
        assertThat(api.get("/api/properties/" + property).status()).isEqualTo(404);
        assertThat(api.get("/api/removed").body()).contains("\"id\":" + property);
        api.post("/api/properties/" + property + "/restore", "");
        assertThat(api.get("/api/properties/" + property + "/items")
                        .json()
                        .path("total")
                        .asInt())
                .isEqualTo(1);
    }

    @Test
    void otherSitesArePutOutside(Api api) {
        HttpRequest.Builder request = HttpRequest.newBuilder(URI.create(api.base() + "/api/clients"));
        assertThat(api.send(request.header("Origin", "https://elsewhere.example")
                                .build())
                        .status())
                .isEqualTo(403);
        Reply own = api.send(HttpRequest.newBuilder(URI.create(api.base() + "/api/clients"))
                .header("Origin", api.base())
                .build());
        assertThat(own.status()).isEqualTo(200);
        assertThat(own.response().headers().firstValue("content-security-policy"))
                .hasValueSatisfying(policy -> assertThat(policy).contains("default-src 'self'"));
    }

    private static String outcome(Api api, long sweep, String path) {
        for (JsonNode visit : api.get("/api/sweeps/" + sweep + "/visits").json()) {
            if (visit.path("address").asString().endsWith(path))
                return visit.path("outcome").asString() + ": "
                        + visit.path("detail").asString();
        }
        return "not visited";
    }

    private static void page(HttpServer server, String path, String type, byte[] body) {
        server.createContext(path, exchange -> {
            boolean wrong =
                    path.equals("/") && !exchange.getRequestURI().getPath().equals("/");
            exchange.getResponseHeaders().set("Content-Type", type);
            exchange.sendResponseHeaders(wrong ? 404 : 200, body.length);
            exchange.getResponseBody().write(body);
            exchange.close();
        });
    }

    private static byte[] gzipped(byte[] content) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (GZIPOutputStream gzip = new GZIPOutputStream(out)) {
            gzip.write(content);
        }
        return out.toByteArray();
    }
}
