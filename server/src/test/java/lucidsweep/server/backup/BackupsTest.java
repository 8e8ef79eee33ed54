package lucidsweep.server.backup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDate;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
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

    @Test
    void aZipFileThatSaysItIsSmallIsNotUnpackedBeyondThat() throws IOException {
        Path zip = data.resolve("small.zip");
        try (ZipOutputStream out = new ZipOutputStream(Files.newOutputStream(zip))) {
            out.putNextEntry(new ZipEntry(DatabaseFile.NAME));
            out.write(new byte[3_000_000]);
        }
        ByteBuffer bytes = ByteBuffer.wrap(Files.readAllBytes(zip)).order(ByteOrder.LITTLE_ENDIAN);
        int directory = bytes.getInt(bytes.capacity() - 6);
        int size = directory + 24;
        assertThat(bytes.getInt(size)).isEqualTo(3_000_000);
        Files.write(zip, bytes.putInt(size, 1_000).array());
        Path place = data.resolve("unpacked");
        assertThatThrownBy(() -> DatabaseFile.putBack(zip, place))
                .hasMessageContaining("longer than the ZIP file says");
        assertThat(place.resolve(DatabaseFile.NAME)).doesNotExist();
    }
}
