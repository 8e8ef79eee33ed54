package lucidsweep.server.backup;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/** Copies of everything while the application runs: one a day, of the last seven days, and one whenever somebody asks. */
@Service
class Backups {

    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final int DAYS = 7;

    private final JdbcTemplate database;
    private final Path data;
    private final Path folder;

    Backups(JdbcTemplate database, @Value("${lucid.data}") Path data) {
        this.database = database;
        this.data = data;
        folder = data.resolve("backups");
    }

    /** Writes a copy of everything: a ZIP file with the database and the key that logins are sealed with. */
    void write(OutputStream out) throws IOException {
        Path copy = Files.createTempFile(Files.createDirectories(folder), "asked-", ".zip");
        try {
            make(copy);
            Files.copy(copy, out);
        } finally {
            Files.deleteIfExists(copy);
        }
    }

    private void make(Path zip) throws IOException {
        Files.deleteIfExists(zip);
        database.execute(DatabaseFile.copyTo(zip));
        Path key = data.resolve(DatabaseFile.KEY);
        if (!Files.exists(key)) return;
        try (FileSystem inside = FileSystems.newFileSystem(URI.create("jar:" + zip.toUri()), Map.of())) {
            Files.copy(key, inside.getPath(DatabaseFile.KEY), StandardCopyOption.REPLACE_EXISTING);
        }
    }

    @Scheduled(initialDelayString = "PT5M", fixedDelayString = "PT1H")
    void copyOfTheDay() {
        copyOf(LocalDate.now());
    }

    /** Makes the copy of a day unless it is there, and lets those go that are older than a week. */
    void copyOf(LocalDate day) {
        Path copy = folder.resolve(day + ".zip");
        if (Files.exists(copy)) return;
        try {
            Files.createDirectories(folder);
            Path part = folder.resolve(day + ".part");
            make(part);
            Files.move(part, copy, StandardCopyOption.ATOMIC_MOVE);
            for (Path old : daily().stream().skip(DAYS).toList()) Files.delete(old);
        } catch (IOException | RuntimeException e) {
            LOG.error("the copy of {} could not be made", day, e);
        }
    }

    /** The daily copies, the newest first. */
    List<Path> daily() {
        if (!Files.isDirectory(folder)) return List.of();
        try (Stream<Path> all = Files.list(folder)) {
            return all.filter(each -> each.getFileName().toString().matches("\\d{4}-\\d{2}-\\d{2}\\.zip"))
                    .sorted(Comparator.reverseOrder())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
