package lucidsweep.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import lucidsweep.core.item.Field;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.release.push.FolderTexts;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** 100,000 drafts approved and delivered, some of them pushed, and the heads of 10,000 files rewritten. Heap 512 MiB. */
final class ReleaseBench {

    private static final int ITEMS = 100_000;
    private static final int PUSHED = 4_000;
    private static final int FILES = 10_000;
    private static final int PARALLEL = 4;
    private static final double MAX_OVERHEAD = 1.05;

    private final Api api;
    private long property;

    private ReleaseBench(Api api) {
        this.api = api;
    }

    public static void main(String[] args) throws Exception {
        files();
        Path data = Files.createTempDirectory("lucid-bench-");
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run("--server.port=0", "--lucid.data=" + data, "--lucid.web=" + data, "--logging.level.root=error")) {
            new ReleaseBench(new Api(application)).run();
        }
    }

    private static void files() throws IOException {
        Path folder = Files.createTempDirectory("lucid-bench-");
        String copy = "<p>Hire a kayak by the hour, and paddle to the island at slack water.</p>\n".repeat(340);
        List<FolderTexts.Text> texts = new ArrayList<>();
        for (int i = 0; i < FILES; i++) {
            String html = "<!DOCTYPE html>\n<html>\n<head>\n<meta charset=\"utf-8\">\n<title>Page " + i
                    + "</title>\n</head>\n<body><h1>Page</h1>\n" + copy + "</body></html>\n";
            Files.writeString(folder.resolve(i + ".html"), html, StandardCharsets.UTF_8);
            texts.add(new FolderTexts.Text("/" + i + ".html", Field.TITLE, "Page " + i, "Kayak hire, page " + i));
        }
        int[] rewritten = {0};
        long start = System.nanoTime();
        new FolderTexts(folder.toString(), false).rewrite(texts, line -> {
            if (line.outcome() == FolderTexts.Outcome.REWRITTEN) rewritten[0]++;
        });
        double seconds = Report.seconds(System.nanoTime() - start);
        Report.line(
                "Heads of 10,000 HTML files of 25 KB rewritten",
                "< 30 s",
                Report.format("%.1f s (%,d)", seconds, rewritten[0]),
                seconds < 30 && rewritten[0] == FILES);
    }

    private void run() throws Exception {
        fill(ITEMS);
        edit(" – signed");
        // As somebody does who looks at them first.
        api.get("/api/properties/" + property + "/items?state=any");
        long start = System.nanoTime();
        approve();
        double seconds = Report.seconds(System.nanoTime() - start);
        Report.line("100,000 drafts approved", "< 2 s", Report.format("%.2f s", seconds), seconds < 2);
        deliver("csv");
        for (String format : List.of("xlsx", "listings")) {
            edit(" – " + format);
            approve();
            deliver(format);
        }
        push();
    }

    private void fill(int items) throws IOException, InterruptedException {
        property = api.shop();
        Path file = Api.file(
                Files.createTempFile("lucid-bench-", ".csv"),
                "id,title,description,tags",
                items,
                i -> "L" + i + ",Paddle L" + i + ",A paddle of ash number " + i
                        + " for people who like the sea,ash paddle");
        api.apply(api.upload(property, file));
    }

    private void edit(String with) throws IOException, InterruptedException {
        api.endJob(api.post(
                "/api/properties/" + property + "/batches",
                "{\"selection\":{},\"spec\":{\"tool\":\"after\",\"field\":\"title\",\"with\":\"" + with + "\"}}"));
        api.awaitFindings();
    }

    private void approve() throws IOException, InterruptedException {
        api.post("/api/properties/" + property + "/decisions", "{\"selection\":{},\"state\":\"approved\"}");
    }

    private void deliver(String format) throws IOException, InterruptedException {
        long start = System.nanoTime();
        String made = api.post("/api/properties/" + property + "/handovers", "{\"format\":\"" + format + "\"}");
        api.get("/api/handovers/" + Api.find(made, "\"id\":(\\d+)") + "/file");
        double seconds = Report.seconds(System.nanoTime() - start);
        Report.line("100,000 texts delivered as " + format, "< 5 s", Report.format("%.1f s", seconds), seconds < 5);
    }

    /** Against a loop that does nothing but ask: reads and writes the same items of the same system, as many at once. */
    private void push() throws Exception {
        fill(PUSHED);
        try (SlowContent content = new SlowContent(PUSHED)) {
            loop(content);
            double bare = loop(content);
            content.reset();
            api.put(
                    "/api/properties/" + property + "/content-system",
                    ("{\"kind\":\"API\",\"address\":\"%s\",\"user\":\"u\",\"secret\":\"s\",\"hasSecret\":false,"
                                    + "\"privateAllowed\":true,\"parallel\":%d,\"pauseMs\":0}")
                            .formatted(content.address(), PARALLEL));
            pushed(" – pushed first");
            content.reset();
            double seconds = pushed(" – pushed");
            Report.line(
                    "4,000 texts pushed to a system that takes 5 ms an answer",
                    "< 5% over a bare loop",
                    Report.format("%.2f s, %.1f%% over %.2f s", seconds, 100 * (seconds / bare - 1), bare),
                    seconds < bare * MAX_OVERHEAD && content.stored() == PUSHED);
        }
    }

    private double pushed(String with) throws IOException, InterruptedException {
        edit(with);
        approve();
        String made = api.post("/api/properties/" + property + "/pushes", "{}");
        long start = System.nanoTime();
        api.endJob(api.post("/api/pushes/" + Api.find(made, "\"id\":(\\d+)") + "/runs", "{}"));
        return Report.seconds(System.nanoTime() - start);
    }

    private static double loop(SlowContent content) throws Exception {
        HttpClient http =
                HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
        ExecutorService threads = Executors.newFixedThreadPool(PARALLEL);
        long start = System.nanoTime();
        List<Future<?>> underWay = new ArrayList<>();
        for (int i = 0; i < PUSHED; i++) {
            URI address = URI.create(content.address() + "/listings/L" + i);
            String body = "{\"version\":1,\"fields\":{\"title\":\"Paddle L" + i + " – pushed\"}}";
            underWay.add(threads.submit(() -> {
                http.send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofString());
                http.send(
                        HttpRequest.newBuilder(address)
                                .PUT(HttpRequest.BodyPublishers.ofString(body))
                                .build(),
                        HttpResponse.BodyHandlers.ofString());
                return null;
            }));
        }
        for (Future<?> each : underWay) each.get();
        threads.shutdown();
        return Report.seconds(System.nanoTime() - start);
    }
}
