package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedReader;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Random;
import lucidsweep.server.command.LucidCommand;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

/** A sweep whose process is killed again and again: no page is lost, none is captured twice. */
class KillTest {

    private static final int PAGES = 600;
    private static final int KILLS = 3;

    @TempDir
    private Path data;

    @Test
    void nothingIsLostAndNothingIsThereTwice() throws Exception {
        Random random = new Random(3);
        try (Website website = Website.ofSize(PAGES, 0)) {
            int done = 0;
            for (int kill = 0; kill < KILLS; kill++) {
                done = runUntil(website, done + 40 + random.nextInt(PAGES / KILLS - 100));
                assertThat(done).as("done when it was killed").isBetween(1, PAGES - 1);
            }
            assertThat(runUntil(website, Integer.MAX_VALUE)).isEqualTo(-1);
        }
        try (ConfigurableApplicationContext application = KilledApplication.start(data.toString())) {
            JdbcTemplate database = application.getBean(JdbcTemplate.class);
            assertThat(count(database, "visit where outcome = 'captured'")).isEqualTo(PAGES);
            assertThat(count(database, "visit where outcome <> 'captured'")).isZero();
            assertThat(database.queryForObject("select count(distinct address) from visit", Long.class))
                    .isEqualTo(PAGES);
            assertThat(count(database, "item")).isEqualTo(PAGES);
            assertThat(count(
                            database,
                            "item i join capture c on c.id = i.capture_id join body b on b.capture_id = c.id"))
                    .isEqualTo(PAGES);
            assertThat(count(database, "capture")).isEqualTo(PAGES);
            assertThat(count(database, "field f join item i on i.id = f.item_id"))
                    .as("titles and descriptions")
                    .isEqualTo(2 * PAGES);
            assertThat(count(database, "sweep where state = 'done'")).isEqualTo(1);
            assertThat(count(database, "property where findings_due")).isZero();
        }
    }

    @Test
    void theCommandGoesOnWhereItWasCutShort() throws Exception {
        Path out = data.resolve("out");
        ByteArrayOutputStream errors = new ByteArrayOutputStream();
        PrintStream before = System.err;
        try (Website website = Website.ofSize(PAGES, 0)) {
            runUntil(website, 100);
            System.setErr(new PrintStream(errors, true, StandardCharsets.UTF_8));
            int status = LucidCommand.run(new String[] {
                "sweep", website.address().toString(), "--out", out.toString(), "--data", data.toString()
            });
            assertThat(status).isZero();
            assertThat(errors.toString(StandardCharsets.UTF_8))
                    .matches("going on: [1-9]\\d* of \\d+ known pages done\n");
            assertThat(Files.readAllLines(out.resolve("items.csv"))).hasSize(PAGES + 1);
        } finally {
            System.setErr(before);
        }
    }

    private static long count(JdbcTemplate database, String what) {
        return database.queryForObject("select count(*) from " + what, Long.class);
    }

    /** Runs until so many addresses are done and kills the process then; -1 where the sweep ended before. */
    private int runUntil(Website website, int target) throws IOException, InterruptedException {
        Path said = data.resolve("said.txt");
        Process process = new ProcessBuilder(
                        ProcessHandle.current().info().command().orElse("java"),
                        "-cp",
                        System.getProperty("java.class.path"),
                        KilledApplication.class.getName(),
                        data.toString(),
                        website.address().toString())
                .redirectError(said.toFile())
                .start();
        try (BufferedReader lines = process.inputReader()) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.startsWith("ended done")) {
                    process.waitFor();
                    return -1;
                }
                if (line.matches("\\d+") && Integer.parseInt(line) >= target) return Integer.parseInt(line);
            }
            throw new IllegalStateException("the process ended by itself: " + Files.readString(said));
        } finally {
            process.destroyForcibly().waitFor();
        }
    }
}
