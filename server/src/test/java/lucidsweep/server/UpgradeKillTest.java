package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** An upgrade that is killed or fails leaves a database that can be opened: as it was, or brought over as a whole. */
class UpgradeKillTest {

    private static final int KILLS = Integer.getInteger("kills", 1);

    @TempDir
    private Path data;

    @Test
    void anUpgradeThatIsKilledIsBegunAnew() throws Exception {
        OldDatabase.in(data);
        killMidway();
        try (OwnApplication application = OwnApplication.on(data)) {
            Api api = application.api();
            Shop shop = new Shop(api, 2);
            assertThat(shop.total("")).isEqualTo(4);
            assertThat(shop.text("B", "title")).isEqualTo("Oak paddle, carved by hand");
            assertThat(shop.row("A").path("description").path("state").asString())
                    .isEqualTo("delivered");
            assertThat(data.resolve("upgrade-under-way")).doesNotExist();
        }
    }

    @Test
    void aFirstStartThatIsKilledIsBegunAnew() throws Exception {
        killMidway();
        try (OwnApplication application = OwnApplication.on(data)) {
            assertThat(application.api().get("/api/clients").body()).isEqualTo("[]");
            assertThat(data.resolve("upgrade-under-way")).doesNotExist();
            assertThat(data.resolve("before-upgrade.zip")).doesNotExist();
        }
    }

    private void killMidway() throws Exception {
        Random random = new Random();
        int midway = 0;
        for (int kill = 0; kill < KILLS; kill++) {
            long last = mark().lastModified();
            Process process = KilledApplication.process(data);
            awaitUpgrade(process, last);
            // The first at once, since a fast machine is through within 400 ms; the others ever later.
            TimeUnit.MILLISECONDS.sleep(random.nextInt(1 + 400 * kill / KILLS));
            process.destroyForcibly().waitFor();
            if (mark().exists()) midway++;
            else break;
        }
        assertThat(midway).as("killed while it was under way").isPositive();
    }

    private File mark() {
        return data.resolve("upgrade-under-way").toFile();
    }

    /** Waits for a mark of an upgrade that is not the one that the last kill left. */
    private void awaitUpgrade(Process process, long last) throws InterruptedException {
        long patience = System.nanoTime() + TimeUnit.MINUTES.toNanos(1);
        while (process.isAlive()
                && System.nanoTime() < patience
                && (!mark().exists() || mark().lastModified() == last)) {
            TimeUnit.MILLISECONDS.sleep(2);
        }
    }

    @Test
    void anUpgradeThatFailsLeavesTheDatabaseAsItWas() throws Exception {
        OldDatabase.in(data);
        // A table of this name is made by the last step, long after others were changed.
        OldDatabase.run(data, "create table handover_file (handover_id bigint primary key)");
        List<String> before = OldDatabase.contents(data);
        assertThatThrownBy(() -> start().close()).hasStackTraceContaining("HANDOVER_FILE");
        assertThat(OldDatabase.contents(data)).isEqualTo(before);
        OldDatabase.run(data, "drop table handover_file");
        start().close();
    }

    private ConfigurableApplicationContext start() {
        return new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data);
    }
}
