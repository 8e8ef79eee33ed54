package lucidsweep.standins;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.time.LocalDate;
import java.util.UUID;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Fills an application that has no client yet with the demo, through its API as a person would: swept and imported for real. */
final class DemoLoader {

    private static final int PATIENCE_SECONDS = 60;

    private final HttpClient http = HttpClient.newHttpClient();
    private final URI application;
    private final URI website;

    DemoLoader(URI application, URI website) {
        this.application = application;
        this.website = website;
    }

    void load() throws IOException, InterruptedException {
        awaitApplication();
        if (!get(application.resolve("/api/clients")).strip().equals("[]")) return;
        String client = post("/api/clients", """
                {"name":"Tarrin Bay Kayaks","brand":"Tarrin Bay Kayaks, TarrinBayKayaks, Tarrin Kayaks",
                 "places":"Tarrin Bay, Gull Cove, Otter Point, Pellow Sound, Marram Sands, Skerry Island, Brackwater, Heron Creek, Lantern Head, Saltmeadow, Fennick, Ravensea, Thrift Bay, Kittering"}""");
        long clientId = number(client, "id");
        long site = number(post("/api/properties", property(clientId, "website", "Website", website.toString())), "id");
        importFile(site, "pages-july.csv", "\"ADDRESS\",\"TITLE\",\"DESCRIPTION\",\"UNUSED\"", LastSummer.DAY);
        long sweepJob = number(
                post(
                        "/api/properties/" + site + "/sweeps",
                        "{\"maxPages\":2000,\"maxDepth\":12,\"connections\":4,\"delayMs\":0}"),
                "jobId");
        long shop = number(
                post(
                        "/api/properties",
                        property(
                                clientId,
                                "listings",
                                "Shop listings",
                                website.resolve("/marketplace/listings").toString())),
                "id");
        String columns = "\"ID\",\"TITLE\",\"DESCRIPTION\",\"TAGS\",\"PRICE\",\"GROUP\",\"UNUSED\"";
        importFile(shop, "listings-july.csv", columns, LastSummer.DAY);
        importFile(shop, "listings.csv", columns, null);
        long channel = number(
                post(
                        "/api/properties",
                        property(
                                clientId,
                                "videos",
                                "Channel",
                                website.resolve("/channel/videos").toString())),
                "id");
        String videos = post("/api/properties/" + channel + "/imports/feed", "{}");
        awaitJob(number(videos, "jobId"));
        String taken = post(
                "/api/imports/" + text(videos, "token") + "/apply",
                "{\"meanings\":[\"ID\",\"TITLE\",\"DESCRIPTION\",\"TAGS\",\"PUBLISHED\",\"VIEWS\",\"GROUP\"]}");
        addKeywords(shop, "shop-keywords.csv");
        importFile(
                shop,
                "shop-demand.csv",
                "\"ADDRESS\",\"QUERY\",\"COUNTRY\",\"FROM\",\"TO\",\"CLICKS\",\"IMPRESSIONS\",\"POSITION\"",
                null);
        awaitJob(number(taken, "jobId"));
        addKeywords(channel, "video-keywords.csv");
        awaitJob(sweepJob);
        addKeywords(site, "keywords.csv");
        post(
                "/api/properties/" + site + "/demand/fetch",
                "{\"address\":\"" + website.resolve("/search/demand") + "\"}");
        while (get(application.resolve("/api/properties/" + site + "/jobs")).contains("\"running\"")) Thread.sleep(200);
        importFile(site, "results.csv", "\"QUERY\",\"POSITION\",\"ADDRESS\",\"TITLE\",\"DESCRIPTION\",\"DAY\"", null);
        for (long property : new long[] {site, shop, channel}) setUpContentSystem(property);
        new DemoWork(this, site, shop).doIt();
        new DemoWriter(this, site).write(website.resolve("/writer/generate"));
        System.out.println("The demo client is loaded.");
    }

    /** Imports a file that the website has, as it is today or was on a day, and waits for it. */
    private void importFile(long property, String file, String meanings, LocalDate takenOn)
            throws IOException, InterruptedException {
        String plan = upload("/api/properties/" + property + "/imports", file, get(website.resolve("/files/" + file)));
        String day = takenOn == null ? "" : ",\"takenOn\":\"" + takenOn + "\"";
        String sweep =
                post("/api/imports/" + text(plan, "token") + "/apply", "{\"meanings\":[" + meanings + "]" + day + "}");
        awaitJob(number(sweep, "jobId"));
    }

    private void setUpContentSystem(long property) throws IOException, InterruptedException {
        send("PUT", "/api/properties/" + property + "/content-system", """
                {"kind":"API","address":"%s","user":"%s","secret":"%s","hasSecret":false,"privateAllowed":true,
                 "parallel":4,"pauseMs":10,"template":null}""".formatted(
                        website.resolve("/content"), ContentSystem.USER, ContentSystem.PASSWORD));
    }

    private void addKeywords(long property, String file) throws IOException, InterruptedException {
        upload("/api/properties/" + property + "/keywords/file", file, get(website.resolve("/files/" + file)));
    }

    private static String property(long client, String kind, String name, String address) {
        return "{\"clientId\":%d,\"kind\":\"%s\",\"name\":\"%s\",\"address\":\"%s\",\"language\":\"en\",\"privateAllowed\":true}"
                .formatted(client, kind, name, address);
    }

    private void awaitApplication() throws InterruptedException {
        for (int tried = 0; ; tried++) {
            try {
                get(application.resolve("/api/clients"));
                return;
            } catch (IOException e) {
                if (tried == PATIENCE_SECONDS * 5)
                    throw new IllegalStateException("the application does not answer at " + application, e);
                Thread.sleep(200);
            }
        }
    }

    void awaitJob(long id) throws IOException, InterruptedException {
        while (text(get(application.resolve("/api/jobs/" + id)), "state").equals("running")) Thread.sleep(200);
    }

    String get(String path) throws IOException, InterruptedException {
        return get(application.resolve(path));
    }

    private String get(URI address) throws IOException, InterruptedException {
        return answer(HttpRequest.newBuilder(address).build());
    }

    String post(String path, String json) throws IOException, InterruptedException {
        return send("POST", path, json);
    }

    String send(String method, String path, String json) throws IOException, InterruptedException {
        return answer(HttpRequest.newBuilder(application.resolve(path))
                .header("Content-Type", "application/json")
                .method(method, HttpRequest.BodyPublishers.ofString(json))
                .build());
    }

    private String upload(String path, String name, String content) throws IOException, InterruptedException {
        String boundary = UUID.randomUUID().toString();
        String body = "--" + boundary + "\r\nContent-Disposition: form-data; name=\"file\"; filename=\"" + name
                + "\"\r\nContent-Type: text/csv\r\n\r\n" + content + "\r\n--" + boundary + "--\r\n";
        return answer(HttpRequest.newBuilder(application.resolve(path))
                .header("Content-Type", "multipart/form-data; boundary=" + boundary)
                .POST(HttpRequest.BodyPublishers.ofString(body))
                .build());
    }

    private String answer(HttpRequest request) throws IOException, InterruptedException {
        HttpResponse<String> response = http.send(request, HttpResponse.BodyHandlers.ofString());
        if (response.statusCode() >= 400) throw new IOException(request.uri() + " answers " + response.body());
        return response.body();
    }

    static long number(String json, String name) {
        return Long.parseLong(find(json, "\"" + name + "\":(\\d+)"));
    }

    private static String text(String json, String name) {
        return find(json, "\"" + name + "\":\"([^\"]*)\"");
    }

    private static String find(String json, String pattern) {
        Matcher matcher = Pattern.compile(pattern).matcher(json);
        if (!matcher.find()) throw new IllegalStateException("expected " + pattern + " in " + json);
        return matcher.group(1);
    }
}
