package lucidsweep.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import lucidsweep.server.LucidSweep;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** What somebody waits for who opens the desk of 500,000 listings after an import, another standard or a start. Heap 1 GiB. */
final class FirstPageBench {

    private static final int ITEMS = Integer.getInteger("items", 500_000);
    private static final String COUNT = Report.format("%,d", ITEMS);
    private static final String[] WORDS =
            "kayak hire tour lesson harbour guide cedar workshop boat paddle island lantern morning tide seal cove"
                    .split(" ");

    private final Path data;
    private long property;

    private FirstPageBench(Path data) {
        this.data = data;
    }

    public static void main(String[] args) throws Exception {
        new FirstPageBench(Files.createTempDirectory("lucid-bench-")).run();
    }

    private void run() throws Exception {
        long stopping;
        try (ConfigurableApplicationContext application = start()) {
            Api api = new Api(application);
            fill(api);
            page(api, "The first page after an import of " + COUNT + " listings");
            fill(api);
            page(api, "… after the same once more");
            api.endJob(api.put("/api/properties/" + property + "/standard", "{\"title\":{\"maxChars\":40}}"));
            page(api, "… after all findings by another standard");
            stopping = System.nanoTime();
        }
        double seconds = Report.seconds(System.nanoTime() - stopping);
        Report.line("The application stopped", "< 8 s", Report.format("%.2f s", seconds), seconds < 8);
        try (ConfigurableApplicationContext application = start()) {
            page(new Api(application), "… after a start");
        }
    }

    private ConfigurableApplicationContext start() {
        return new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run("--server.port=0", "--lucid.data=" + data, "--lucid.web=" + data, "--logging.level.root=error");
    }

    private void fill(Api api) throws IOException, InterruptedException {
        if (property == 0) property = api.shop();
        Random random = new Random(4);
        Path file = Api.file(
                Files.createTempFile("lucid-bench-", ".csv"),
                "id,title,description,tags,section",
                ITEMS,
                i -> "L" + i + "," + words(random, i % 30 == 0 ? 0 : 3 + i % 8) + "," + words(random, 8 + i % 20) + " "
                        + i + ",\"ash paddle, " + words(random, 2) + "\",Section " + i % 40);
        api.apply(api.upload(property, file));
        Files.delete(file);
    }

    private static String words(Random random, int count) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) text.append(i == 0 ? "" : " ").append(WORDS[random.nextInt(WORDS.length)]);
        return text.toString();
    }

    private void page(Api api, String what) throws IOException, InterruptedException {
        long start = System.nanoTime();
        api.get("/api/properties/" + property + "/items?count=100");
        double seconds = Report.seconds(System.nanoTime() - start);
        api.get("/api/properties/" + property + "/findings/checks");
        double counted = Report.seconds(System.nanoTime() - start);
        Report.line(what, "< 1 s", Report.format("%.2f s; findings counted %.2f s", seconds, counted), seconds < 1);
    }
}
