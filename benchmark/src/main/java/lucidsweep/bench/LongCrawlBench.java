package lucidsweep.bench;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.job.Job;
import lucidsweep.server.job.JobState;
import lucidsweep.server.job.Jobs;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * A crawl of 200,000 pages with everything on and stored: whether it is as fast at its end as at its beginning. The website
 * runs in a process of its own. Run with a heap of 768 MiB.
 */
final class LongCrawlBench {

    private static final int PAGES = Integer.getInteger("pages", 200_000);
    private static final int TENTHS = 10;
    private static final int PORT = 8478;
    private static final double WANTED = 0.85;

    /** The very last pages are reported together with the links and findings that follow. */
    private static final double SEEN = 0.99;

    private LongCrawlBench() {}

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
        Path data = Files.createTempDirectory("lucid-bench-");
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data, "--logging.level.root=error")) {
            website.inputReader().readLine();
            crawl(application);
        } finally {
            website.destroy();
        }
    }

    private static void crawl(ConfigurableApplicationContext application) {
        Clients clients = application.getBean(Clients.class);
        long client = clients.addClient(new ClientForm("Bench", "", "")).id();
        long property = clients.addProperty(new PropertyForm(
                        client, PropertyKind.WEBSITE, "Large site", "http://127.0.0.1:" + PORT + "/", "en", true))
                .id();
        Jobs jobs = application.getBean(Jobs.class);
        long start = System.nanoTime();
        Sweep sweep = application.getBean(Sweeps.class).start(property, CrawlSettings.of(PAGES + 1_000, 100, 4, 0));
        double[] rates = new double[TENTHS];
        long before = start;
        for (int tenth = 0; tenth < TENTHS; tenth++) {
            Job job = jobs.find(sweep.jobId());
            while (job.state() == JobState.RUNNING && job.done() < SEEN * PAGES * (tenth + 1) / TENTHS) {
                LockSupport.parkNanos(5_000_000);
                job = jobs.find(sweep.jobId());
            }
            long now = System.nanoTime();
            rates[tenth] = SEEN * PAGES / TENTHS / Report.seconds(now - before);
            before = now;
        }
        double crawled = Report.seconds(before - start);
        Job job = jobs.find(sweep.jobId());
        while (job.state() == JobState.RUNNING) {
            LockSupport.parkNanos(20_000_000);
            job = jobs.find(sweep.jobId());
        }
        if (!job.note().startsWith(Report.format("%,d pages", PAGES))) throw new IllegalStateException(job.note());
        StringBuilder all = new StringBuilder();
        for (double rate : rates) all.append(Report.format(" %.0f", rate));
        double kept = rates[TENTHS - 1] / rates[0];
        Report.line(
                Report.format("Crawl of %,d pages, 768 MiB heap: last tenth to first", PAGES),
                ">= 85%",
                Report.format(
                        "%.0f%% (pages/s by tenth:%s; crawled in %.0f s, with links and findings %.0f s)",
                        100 * kept, all, crawled, Report.seconds(System.nanoTime() - start)),
                kept >= WANTED);
    }
}
