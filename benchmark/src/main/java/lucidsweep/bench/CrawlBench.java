package lucidsweep.bench;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.job.Jobs;
import org.jsoup.Jsoup;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ApplicationListener;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.PayloadApplicationEvent;
import org.springframework.core.Ordered;

/**
 * The crawl with everything on and stored, against a bare loop over the same pages in the same run: fetch and parse,
 * nothing stored. Both are run in turn; of the rounds after the first, when the machine code of both is made, the middle
 * one counts. Each crawl is that of a new property; the website runs in a process of its own. Run with a heap of 512 MiB.
 */
final class CrawlBench {

    private static final int PAGES = 10_000;
    private static final int ROUNDS = 6;
    private static final int CONNECTIONS = 4;
    private static final int PORT = 8477;

    private CrawlBench() {}

    public static void main(String[] args) throws Exception {
        Process website = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElse("java"),
                        "-Xmx256m",
                        "-jar",
                        args[0],
                        "--port",
                        "" + PORT,
                        "--pages",
                        "" + PAGES)
                .redirectErrorStream(true)
                .start();
        try {
            website.inputReader().readLine();
            rounds();
        } finally {
            website.destroy();
        }
    }

    private static void rounds() throws Exception {
        Path data = Files.createTempDirectory("lucid-bench-");
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .listeners(new StoredListener())
                .run("--lucid.data=" + data, "--logging.level.root=error")) {
            double bare = bareLoop();
            double[] stored = new double[ROUNDS];
            double[] whole = new double[ROUNDS];
            StringBuilder rates = new StringBuilder();
            for (int round = 0; round < ROUNDS; round++) {
                Seconds ours = crawl(application);
                double bareAgain = bareLoop();
                double mean = (bare + bareAgain) / 2;
                bare = bareAgain;
                stored[round] = PAGES / ours.stored / mean;
                whole[round] = PAGES / ours.whole / mean;
                rates.append(Report.format(" %.0f/%.0f", PAGES / ours.stored, mean));
            }
            Report.line(
                    "Crawl of 10,000 pages, to the bare loop, 512 MiB heap",
                    ">= 75%",
                    Report.format(
                            "%.0f%%, with all findings %.0f%% (pages/s by round:%s)",
                            100 * Report.middleAfterFirst(stored), 100 * Report.middleAfterFirst(whole), rates),
                    Report.middleAfterFirst(stored) >= 0.75);
        }
    }

    private static double bareLoop() throws Exception {
        HttpClient http =
                HttpClient.newBuilder().version(HttpClient.Version.HTTP_1_1).build();
        ExecutorService threads = Executors.newFixedThreadPool(CONNECTIONS);
        AtomicInteger next = new AtomicInteger();
        long start = System.nanoTime();
        List<Future<?>> loops = new ArrayList<>();
        for (int i = 0; i < CONNECTIONS; i++) {
            loops.add(threads.submit(() -> {
                for (int page; (page = next.getAndIncrement()) < PAGES; ) fetchAndParse(http, page);
                return null;
            }));
        }
        for (Future<?> loop : loops) loop.get();
        threads.shutdown();
        threads.awaitTermination(1, TimeUnit.MINUTES);
        return PAGES / Report.seconds(System.nanoTime() - start);
    }

    private static void fetchAndParse(HttpClient http, int page) throws IOException, InterruptedException {
        URI address = URI.create("http://127.0.0.1:" + PORT + (page == 0 ? "/" : "/page-" + page + ".html"));
        HttpResponse<InputStream> answer =
                http.send(HttpRequest.newBuilder(address).build(), HttpResponse.BodyHandlers.ofInputStream());
        byte[] body = answer.body().readAllBytes();
        if (Jsoup.parse(new ByteArrayInputStream(body), "UTF-8", address.toString())
                        .title()
                == null) {
            throw new IllegalStateException("a page without markup: " + address);
        }
    }

    /** Until every page was stored and its links counted, and until its findings were there too. */
    private record Seconds(double stored, double whole) {}

    /** Notes when a crawl has stored everything; it hears of it before those who work on with what was stored. */
    private static final class StoredListener
            implements ApplicationListener<PayloadApplicationEvent<SweepEnded>>, Ordered {
        private static long heard;

        @Override
        public void onApplicationEvent(PayloadApplicationEvent<SweepEnded> event) {
            heard = System.nanoTime();
        }

        @Override
        public int getOrder() {
            return Ordered.HIGHEST_PRECEDENCE;
        }
    }

    /** Crawls the site as a property of its own. */
    private static Seconds crawl(ConfigurableApplicationContext application) {
        Clients clients = application.getBean(Clients.class);
        Client client = clients.addClient(new ClientForm("Bench", "", ""));
        Property property = clients.addProperty(new PropertyForm(
                client.id(), PropertyKind.WEBSITE, "Large site", "http://127.0.0.1:" + PORT + "/", "en", true));
        long start = System.nanoTime();
        Sweep sweep = application
                .getBean(Sweeps.class)
                .runNow(property.id(), CrawlSettings.of(PAGES * 2, 100, CONNECTIONS, 0));
        double seconds = Report.seconds(System.nanoTime() - start);
        String note = application.getBean(Jobs.class).find(sweep.jobId()).note();
        if (!note.startsWith(Report.format("%,d pages", PAGES)))
            throw new IllegalStateException("the crawl is not whole: " + note);
        return new Seconds(Report.seconds(StoredListener.heard - start), seconds);
    }
}
