package lucidsweep.server.backup;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.time.LocalDate;
import lucidsweep.server.LucidSweep;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

class BackupsTest {

    @TempDir
    private Path data;

    @Test
    void theCopiesOfTheLastSevenDaysAreKept() {
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data)) {
            Backups backups = application.getBean(Backups.class);
            LocalDate first = LocalDate.of(2026, 2, 20);
            for (int day = 0; day < 10; day++) {
                backups.copyOf(first.plusDays(day));
                backups.copyOf(first.plusDays(day));
            }
            assertThat(backups.daily())
                    .hasSize(7)
                    .allMatch(DatabaseFile::isCopy)
                    .startsWith(data.resolve("backups/2026-03-01.zip"))
                    .endsWith(data.resolve("backups/2026-02-23.zip"));
        }
    }
}
