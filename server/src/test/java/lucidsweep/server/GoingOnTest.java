package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.Visits;
import lucidsweep.server.job.Job;
import lucidsweep.server.job.JobState;
import lucidsweep.server.job.Jobs;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** A crawl that was cut short by the end of the application goes on at the next start: no page lost, none twice. */
class GoingOnTest {

    private static final int PAGES = 200;

    @TempDir
    private Path data;

    @Test
    void goesOnWhereItWas() throws Exception {
        try (Website website = Website.ofSize(PAGES, 0)) {
            Sweep sweep;
            try (ConfigurableApplicationContext first = start()) {
                Clients clients = first.getBean(Clients.class);
                long client = clients.addClient(new ClientForm("Large", "", "")).id();
                long property = clients.addProperty(new PropertyForm(
                                client,
                                PropertyKind.WEBSITE,
                                "Large",
                                website.address().toString(),
                                "en",
                                true))
                        .id();
                sweep = first.getBean(Sweeps.class).start(property, CrawlSettings.of(PAGES * 2, 20, 2, 5));
                while (job(first, sweep).done() < PAGES / 5) LockSupport.parkNanos(5_000_000);
            }
            try (ConfigurableApplicationContext second = start()) {
                assertThat(second.getBean(Visits.class)
                                .counts(sweep.id())
                                .get(0)
                                .count())
                        .as("done before")
                        .isBetween(PAGES / 5, PAGES - 1);
                while (job(second, sweep).state() == JobState.RUNNING) LockSupport.parkNanos(20_000_000);
                assertThat(job(second, sweep).state()).isEqualTo(JobState.DONE);
                Set<String> seen = new HashSet<>();
                second.getBean(Visits.class)
                        .forEach(
                                sweep.id(),
                                "captured",
                                visit -> assertThat(seen.add(visit.address())).isTrue());
                assertThat(seen).hasSize(PAGES);
            }
        }
    }

    private static Job job(ConfigurableApplicationContext application, Sweep sweep) {
        return application.getBean(Jobs.class).find(sweep.jobId());
    }

    private ConfigurableApplicationContext start() {
        return new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data, "--logging.level.root=error");
    }
}
