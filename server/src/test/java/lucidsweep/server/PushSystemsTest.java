package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.ContentSystem;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.ShopListings;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** The ways to speak to a content system: JSON of any shape, and a folder of HTML files. */
@ExtendWith(RunningApplication.class)
class PushSystemsTest {

    private static final String PAGE =
            "<!DOCTYPE html>\r\n<html>\r\n<head>\r\n  <title>%s</title>\r\n</head>\r\n<body><h1>%1$s</h1></body></html>";

    private static String template(Website website, String method) {
        return """
                {"kind":"JSON","address":"","user":"","secret":%s,"hasSecret":false,"privateAllowed":true,"parallel":2,"pauseMs":0,
                 "template":{"read":"%scontent/listings/{id}","write":"%2$scontent/listings/{id}","method":"%s",
                 "headers":{"Authorization":"Bearer {secret}"},"fields":{"title":"fields.title","description":"fields.description"},
                 "id":"id","version":"version"}}""".formatted("%s", website.address(), method);
    }

    @Test
    void anyContentSystemIsSpokenToByATemplateThatIsTriedFirst(Api api) throws Exception {
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            Shop shop = new Shop(api, new ShopListings(7).csv());
            JsonNode row = shop.get("/items?count=1").json().path("rows").path(0);
            String id = row.path("address").asString();
            String template = template(website, "PUT");
            assertThat(shop.put("/content-system", template.formatted("\"worn\""))
                            .status())
                    .isEqualTo(200);
            String trying = "/content-system/try?itemId=" + row.path("id").asLong();
            assertThat(shop.post(trying, "").json().path("problem").asString())
                    .isEqualTo("the content system answers 401: log in first");
            assertThat(shop.put("/content-system", template.formatted("\"" + token(website) + "\""))
                            .status())
                    .isEqualTo(200);
            JsonNode tried = shop.post(trying, "").json();
            assertThat(tried.path("problem").asString()).isEmpty();
            assertThat(tried.path("texts").path(0).path("there").asString())
                    .isEqualTo(tried.path("texts").path(0).path("captured").asString());

            shop.type(id, "title", "Half-model, signed by \"its maker\"");
            shop.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
            long release =
                    shop.post("/pushes", "{}").json().path("release").path("id").asLong();
            JsonNode run = api.post("/api/pushes/" + release + "/runs", "{}").json();
            assertThat(api.ended(run.path("jobId").asLong()).path("note").asString())
                    .isEqualTo("1 pushed.");
            assertThat(website.content().text("listings", id, "title"))
                    .isEqualTo("Half-model, signed by \"its maker\"");

            String odd = template.formatted("\"x\\ny\"");
            shop.put("/content-system", odd);
            Reply refused = shop.post(trying, "");
            assertThat(refused.status()).isEqualTo(422);
            assertThat(refused.problem())
                    .isEqualTo("the header \"Authorization\" cannot be sent, or not with this value");
            shop.put("/content-system", template.formatted("\"" + token(website) + "\""));

            // The token stays with the host that it was given for.
            shop.put("/content-system", template.formatted("null"));
            assertThat(shop.get("/content-system")
                            .json()
                            .path("settings")
                            .path("hasSecret")
                            .asBoolean())
                    .isTrue();
            shop.put("/content-system", template.formatted("null").replace("127.0.0.1", "localhost"));
            assertThat(shop.get("/content-system")
                            .json()
                            .path("settings")
                            .path("hasSecret")
                            .asBoolean())
                    .isFalse();
        }
    }

    private static String token(Website website) throws IOException, InterruptedException {
        String who = "{\"user\":\"%s\",\"password\":\"%s\"}".formatted(ContentSystem.USER, ContentSystem.PASSWORD);
        HttpResponse<String> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(website.address() + "content/login"))
                                .POST(HttpRequest.BodyPublishers.ofString(who))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
        return answer.body().replaceAll(".*\"token\":\"([^\"]+)\".*", "$1");
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
                    "kind":"API","address":"shop"                              | expected the address of a content system
                    "kind":"API","address":"https://{slug}.example/content"    | expected the address of a content system
                    "kind":"FOLDER","address":"/nowhere/at/all"                | only the pages of a website
                    "kind":"JSON","address":""                                 | expected how requests look, got nothing
                    "kind":"API","address":"https://a.example/","pauseMs":-1   | pauseMs is from 0 to 60,000
                    """)
    void settingsThatCannotBeAreRefused(String settings, String why, Api api) {
        Shop shop = new Shop(api, api.property("listings", "", false));
        String rest = settings.contains("pauseMs") ? "" : ",\"pauseMs\":0";
        Reply saved = shop.put(
                "/content-system",
                "{" + settings + rest + ",\"user\":\"\",\"hasSecret\":false,\"privateAllowed\":false,\"parallel\":1}");
        assertThat(saved.status()).isEqualTo(422);
        assertThat(saved.body()).contains(why);
    }

    @Test
    void filesOfAFolderAreRewrittenInPlaceAndGivenBack(Api api, @TempDir Path folder) throws Exception {
        try (Site site = new Site()) {
            Map<String, String> files = new TreeMap<>();
            StringBuilder home = new StringBuilder(PAGE.formatted("Home of boats"));
            for (String name : new String[] {"oars", "boats", "gone", "huge", "changed", "outside", "twice"}) {
                home.append("<a href='/").append(name).append("'>").append(name).append("</a>");
                files.put(name, PAGE.formatted("All about " + name));
            }
            files.put("twice", "<head><title>All about twice</title><title>Again</title></head>");
            files.put("index", home.toString());
            files.forEach((name, html) -> site.html(name.equals("index") ? "/" : "/" + name, html));
            long property = api.property("website", site.address(), true);
            api.sweep(property);
            Shop pages = new Shop(api, property);

            Path elsewhere = Files.createTempFile("outside", ".html");
            for (Map.Entry<String, String> file : files.entrySet())
                Files.write(
                        folder.resolve(file.getKey() + ".html"), file.getValue().getBytes(StandardCharsets.UTF_8));
            Files.delete(folder.resolve("gone.html"));
            Files.write(folder.resolve("huge.html"), new byte[17_000_000]);
            Files.writeString(folder.resolve("changed.html"), PAGE.formatted("By the client"));
            Files.delete(folder.resolve("outside.html"));
            Files.createSymbolicLink(folder.resolve("outside.html"), elsewhere);
            Reply saved = pages.put(
                    "/content-system",
                    "{\"kind\":\"FOLDER\",\"address\":\"" + folder
                            + "\",\"user\":\"\",\"hasSecret\":false,\"privateAllowed\":false,\"parallel\":4,\"pauseMs\":0}");
            assertThat(saved.status()).as(saved.body()).isEqualTo(200);

            pages.batch(Shop.edit("after", "title", "\"with\":\" & more\""));
            pages.post("/decisions", "{\"selection\":{},\"state\":\"approved\"}");
            long release = pages.post("/pushes", "{}")
                    .json()
                    .path("release")
                    .path("id")
                    .asLong();
            assertThat(ended(api, release, "/runs")).isEqualTo("4 pushed, 1 changed meanwhile, 3 refused.");
            for (String name : new String[] {"oars", "boats", "twice", "index"}) {
                assertThat(Files.readString(folder.resolve(name + ".html")))
                        .isEqualTo(files.get(name).replaceFirst("</title>", " &amp; more</title>"));
            }
            assertThat(Files.readString(folder.resolve("changed.html"))).isEqualTo(PAGE.formatted("By the client"));
            assertThat(api.get("/api/pushes/" + release + "/lines?state=refused")
                            .body())
                    .contains(
                            "the folder has no file for this address",
                            "huge.html has 17 MB, and at most 16 are rewritten",
                            "the file of this address lies outside of the folder");
            assertThat(ended(api, release, "/return")).isEqualTo("4 taken back.");
            for (String name : new String[] {"oars", "boats", "twice", "index"})
                assertThat(Files.readString(folder.resolve(name + ".html"))).isEqualTo(files.get(name));
            try (var left = Files.list(folder)) {
                assertThat(left.filter(file -> file.toString().endsWith(".part")))
                        .isEmpty();
            }
        }
    }

    private static String ended(Api api, long release, String path) {
        JsonNode run = api.post("/api/pushes/" + release + path, "{}").json();
        return api.ended(run.path("jobId").asLong()).path("note").asString();
    }
}
