package lucidsweep.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import javax.sql.DataSource;
import lucidsweep.server.client.PropertyArrived;
import lucidsweep.server.database.DiskSpace;
import lucidsweep.server.web.Refusal;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationVersion;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.jdbc.datasource.DriverManagerDataSource;
import org.springframework.jdbc.datasource.SingleConnectionDataSource;
import org.springframework.stereotype.Service;
import org.springframework.util.FileSystemUtils;

/**
 * Takes the clients of a backup in beside those that are here. Until all of it is here nobody sees them; what is cut short is
 * removed at the next start. Logins stay behind: they are sealed with the key of the other machine.
 */
@Service
class AddedClients {

    /** The backup stands unpacked on the disk beside the rows that are added. */
    private static final int COPIES = 2;

    private static final int LONGEST_NAME = 160;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.UK);

    private final DataSource database;
    private final JdbcTemplate rows;
    private final Flyway flyway;
    private final DiskSpace disk;
    private final ApplicationEventPublisher publisher;
    private final Path data;

    AddedClients(
            DataSource database,
            JdbcTemplate rows,
            Flyway flyway,
            DiskSpace disk,
            ApplicationEventPublisher publisher,
            @Value("${lucid.data}") Path data) {
        this.database = database;
        this.rows = rows;
        this.flyway = flyway;
        this.disk = disk;
        this.publisher = publisher;
        this.data = data;
    }

    /** Adds all clients of a backup, one backup after the other; returns their names. */
    synchronized List<String> add(InputStream content) throws IOException {
        Path place = Files.createTempDirectory(Files.createDirectories(data.resolve("backups")), "client-");
        try {
            Path zip = place.resolve("given.zip");
            Files.copy(content, zip, StandardCopyOption.REPLACE_EXISTING);
            if (!DatabaseFile.isCopy(zip)) {
                throw Refusal.badInput("expected a ZIP file that a backup wrote; this file is none");
            }
            String shortage = disk.shortage(COPIES * DatabaseFile.unpackedSize(zip));
            if (shortage != null) throw Refusal.conflict(shortage);
            DatabaseFile.putBack(zip, place);
            return added(place);
        } catch (SQLException | RuntimeException e) {
            removeWhatWasCutShort();
            if (e instanceof RuntimeException said) throw said;
            throw new IllegalStateException("the clients of a backup could not be added", e);
        } finally {
            FileSystemUtils.deleteRecursively(place);
        }
    }

    private List<String> added(Path place) throws SQLException {
        DriverManagerDataSource source = new DriverManagerDataSource(DatabaseFile.url(place), "lucid", "");
        try (Connection from = source.getConnection();
                Connection to = database.getConnection()) {
            JdbcTemplate copy = new JdbcTemplate(new SingleConnectionDataSource(from, true));
            upgrade(source);
            prepare(copy);
            tellApart(copy);
            List<String> names = copy.queryForList("select name from client order by id", String.class);
            boolean commits = to.getAutoCommit();
            to.setAutoCommit(false);
            try {
                new MovedRows(from, to, new MovedIds(this::nextCaptureBlock)).move();
            } catch (SQLException | RuntimeException e) {
                to.rollback();
                throw e;
            } finally {
                to.setAutoCommit(commits);
                copy.execute("shutdown");
            }
            arrive();
            return names;
        }
    }

    /** Brings the backup of an earlier version to the present one. */
    private void upgrade(DriverManagerDataSource source) {
        Flyway there = Flyway.configure()
                .configuration(flyway.getConfiguration())
                .dataSource(source)
                .load();
        boolean known;
        try {
            there.migrate();
            known = version(there).equals(version(flyway));
        } catch (FlywayException e) {
            known = false;
        }
        if (known) return;
        throw Refusal.badInput("expected a backup of this version of Lucid Sweep or an earlier one; "
                + "this one is of a later version or damaged");
    }

    private static MigrationVersion version(Flyway flyway) {
        return flyway.info().current().getVersion();
    }

    /** Work that was under way there does not go on here. Clients that were removed there stay there. */
    private static void prepare(JdbcTemplate copy) {
        copy.queryForList(
                        "select id from property where client_id in (select id from client where removed is not null)",
                        Long.class)
                .forEach(property -> new PropertyRows(copy, property).delete());
        copy.update("delete from client where removed is not null");
        copy.update("update client set removed = now(), arriving = true");
        copy.update(
                "update job set state = 'failed', ended = now(), note = 'It was under way when the backup was made.'"
                        + " where state = 'running'");
        copy.update("update sweep set state = case kind when 'crawl' then 'stopped' else 'failed' end, ended = now()"
                + " where state = 'running'");
        copy.update("update property set judged_changes = 0, text_changes = 1");
    }

    /** A client whose name is taken here says when it came. */
    private void tellApart(JdbcTemplate copy) {
        Set<String> taken = new HashSet<>(rows.queryForList("select lower(name) from client", String.class));
        for (Map<String, Object> client : copy.queryForList("select id, name from client order by id")) {
            String apart = (String) client.get("name");
            String name = apart.substring(0, Math.min(apart.length(), LONGEST_NAME));
            for (int again = 1; !taken.add(apart.toLowerCase(Locale.ROOT)); again++) {
                apart = name + " (added " + DAY.format(LocalDate.now()) + (again == 1 ? ")" : ", " + again + ")");
            }
            copy.update("update client set name = ? where id = ?", apart, client.get("id"));
        }
    }

    private long nextCaptureBlock() {
        Long block = rows.queryForObject("select next value for capture_block", Long.class);
        return Objects.requireNonNull(block);
    }

    /** Shows what was added, all at once, and has worked out what was left behind. */
    private void arrive() {
        List<Long> properties = rows.queryForList(
                "select p.id from property p join client c on c.id = p.client_id where c.arriving and p.removed is null",
                Long.class);
        rows.update("update client set removed = null, arriving = false where arriving");
        properties.forEach(property -> publisher.publishEvent(new PropertyArrived(property)));
    }

    @EventListener(ApplicationReadyEvent.class)
    void removeWhatWasCutShort() {
        rows.queryForList(
                        "select id from property where client_id in (select id from client where arriving)", Long.class)
                .forEach(property -> new PropertyRows(rows, property).delete());
        rows.update("delete from client where arriving");
    }
}
