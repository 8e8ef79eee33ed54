package lucidsweep.server.gather.schedule;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.Site;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.crawl.CrawlSettings;
import lucidsweep.server.gather.crawl.Sweeps;
import lucidsweep.server.gather.schedule.Schedule.Every;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStore;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

class ScheduleTest {

    private static final LocalDate TODAY = LocalDate.of(2030, 1, 31);

    @TempDir
    private Path data;

    @ParameterizedTest
    @CsvSource(
            nullValues = "none",
            value = {
                "DAY, 2030-01-31, 2030-02-01",
                "DAY, 2029-12-01, 2030-02-01",
                "WEEK, 2030-01-31, 2030-02-07",
                "WEEK, 2029-12-30, 2030-02-03",
                "MONTH, 2030-01-31, 2030-02-28",
                "MONTH, 2029-08-31, 2030-02-28",
                "MONTH, 2030-02-01, 2030-02-01",
                "ONCE, 2030-01-30, none",
            })
    void theNextDay(Every every, LocalDate planned, LocalDate next) {
        assertThat(new Schedule(every, planned).after(TODAY)).isEqualTo(next);
    }

    @Test
    void whatIsDueIsSweptAsItWasSetTheLastTime() throws InterruptedException {
        try (Site site = new Site();
                ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                        .web(WebApplicationType.NONE)
                        .logStartupInfo(false)
                        .run("--lucid.data=" + data, "--logging.level.root=error")) {
            site.page("/", "Start", "/a", "/b").page("/a", "Page a").page("/b", "Page b");
            Clients clients = application.getBean(Clients.class);
            long client = clients.addClient(new ClientForm("Tarrin Bay Kayaks", "", ""))
                    .id();
            long property = clients.addProperty(
                            new PropertyForm(client, PropertyKind.WEBSITE, "Site", site.address(), "en", true))
                    .id();
            Sweeps sweeps = application.getBean(Sweeps.class);
            SweepStore store = application.getBean(SweepStore.class);
            Schedules schedules = application.getBean(Schedules.class);
            sweeps.runNow(property, CrawlSettings.of(2, 5, 1, 0));
            schedules.set(property, new Schedule(Every.WEEK, TODAY));

            schedules.runDue(TODAY.minusDays(1));
            assertThat(store.ofProperty(property)).hasSize(1);
            schedules.runDue(TODAY);
            assertThat(store.ofProperty(property)).hasSize(2);
            assertThat(schedules.of(property)).contains(new Schedule(Every.WEEK, TODAY.plusWeeks(1)));
            assertThat(sweeps.lastSettings(property).limits().maxPages()).isEqualTo(2);
            while (store.ofProperty(property).get(0).state() == Sweep.State.RUNNING) LockSupport.parkNanos(5_000_000);

            schedules.set(property, new Schedule(Every.ONCE, TODAY));
            application.getBean(JdbcTemplate.class).update("update property set removed = now()");
            schedules.runDue(TODAY);
            assertThat(store.ofProperty(property))
                    .as("a removed property rests")
                    .hasSize(2);
        }
    }
}
