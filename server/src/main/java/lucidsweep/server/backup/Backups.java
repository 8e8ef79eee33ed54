package lucidsweep.server.backup;

import jakarta.annotation.PostConstruct;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.FileSystem;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;
import lucidsweep.core.text.Letters;
import lucidsweep.server.client.Clients;
import lucidsweep.server.database.DiskSpace;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;

/** Copies of everything while the application runs: one a day, of the last seven days, and one whenever somebody asks. */
@Service
class Backups {

    private static final Logger LOG = LoggerFactory.getLogger(Backups.class);
    private static final int DAYS = 7;

    /** A copy of all is one file; of one client it is that, the same unpacked, and what is left of it. */
    static final int COPIES_OF_ALL = 1;

    static final int COPIES_OF_ONE = 3;

    private final JdbcTemplate database;
    private final Clients clients;
    private final DiskSpace disk;
    private final Path data;
    private final Path folder;

    Backups(JdbcTemplate database, Clients clients, DiskSpace disk, @Value("${lucid.data}") Path data) {
        this.disk = disk;
        this.database = database;
        this.clients = clients;
        this.data = data;
        folder = data.resolve("backups");
    }

    /** What was being made when the application ended would only take up room. */
    @PostConstruct
    void removeLeftovers() throws IOException {
        if (!Files.isDirectory(folder)) return;
        try (Stream<Path> all = Files.list(folder)) {
            for (Path each : all.toList()) {
                if (each.getFileName().toString().matches("(asked|client)-.*|.*\\.part"))
                    FileSystemUtils.deleteRecursively(each);
            }
        }
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

    /** Refuses a copy for which there is no room: so many copies of the database stand on the disk while it is made. */
    void checkRoom(int copies) throws IOException {
        String shortage = disk.shortage(copies * Files.size(data.resolve(DatabaseFile.NAME)));
        if (shortage != null) throw Refusal.conflict(shortage);
    }

    /** The name of a client as part of the name of a file, "tarrin-bay-kayaks". */
    String name(long client) {
        String plain = Letters.plain(clients.client(client).name()).toLowerCase(Locale.ROOT);
        return plain.replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    }

    /** Writes a copy of one client: one of everything, from which all others are removed. */
    void write(long client, OutputStream out) throws IOException {
        Path place = Files.createTempDirectory(Files.createDirectories(folder), "client-");
        try {
            Path zip = place.resolve("all.zip");
            make(zip);
            DatabaseFile.putBack(zip, place);
            Files.delete(zip);
            removeOthers(place, client);
            try (OutputStream file = Files.newOutputStream(zip)) {
                DatabaseFile.copy(place, file);
            }
            Files.copy(zip, out);
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    private static void removeOthers(Path place, long client) {
        DriverManagerDataSource source = new DriverManagerDataSource(DatabaseFile.url(place), "lucid", "");
        try (Connection one = source.getConnection()) {
            JdbcTemplate copy = new JdbcTemplate(new SingleConnectionDataSource(one, true));
            new OtherClients(copy, client).remove();
            copy.execute("shutdown compact");
        } catch (SQLException e) {
            throw new IllegalStateException("the copy of one client could not be made", e);
        }
    }

    /** Takes a copy in that is put back when the application starts the next time; looks first whether it can be. */
    void restoreAtNextStart(InputStream content) throws IOException {
        Path part = data.resolve("restore.part");
        Path place = Files.createTempDirectory(Files.createDirectories(folder), "client-");
        try {
            Files.copy(content, part, StandardCopyOption.REPLACE_EXISTING);
            DatabaseFile.requireCopy(part);
            String shortage = disk.shortage(DatabaseFile.unpackedSize(part));
            if (shortage != null) throw Refusal.conflict(shortage);
            DatabaseFile.putBack(part, place);
            DatabaseVersion.check(place);
            Files.move(part, DatabaseFile.waiting(data), StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(part);
            FileSystemUtils.deleteRecursively(place);
        }
    }

    void doNotRestore() throws IOException {
        Files.deleteIfExists(DatabaseFile.waiting(data));
    }

    boolean isRestoreWaiting() {
        return Files.exists(DatabaseFile.waiting(data));
    }

    /** The days of the daily copies, the newest first. */
    List<String> days() {
        return daily().stream()
                .map(copy -> copy.getFileName().toString().replace(".zip", ""))
                .toList();
    }

    Path ofDay(LocalDate day) {
        Path copy = folder.resolve(day + ".zip");
        if (!Files.exists(copy)) throw Refusal.notFound("there is no copy of " + day);
        return copy;
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
            checkRoom(COPIES_OF_ALL);
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
