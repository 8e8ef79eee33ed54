package lucidsweep.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
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
import java.util.concurrent.atomic.AtomicBoolean;
import javax.sql.DataSource;
import lucidsweep.server.client.PropertyArrived;
import lucidsweep.server.database.DiskSpace;
import lucidsweep.server.job.Job;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
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
 * removed at the next start. Logins stay behind, for they are sealed with the key of the other machine: pushes wait for them.
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
    private final Jobs jobs;
    private final Path data;
    private final AtomicBoolean underWay = new AtomicBoolean();

    AddedClients(
            DataSource database,
            JdbcTemplate rows,
            Flyway flyway,
            DiskSpace disk,
            ApplicationEventPublisher publisher,
            Jobs jobs,
            @Value("${lucid.data}") Path data) {
        this.database = database;
        this.rows = rows;
        this.flyway = flyway;
        this.disk = disk;
        this.publisher = publisher;
        this.jobs = jobs;
        this.data = data;
    }

    /** Takes a backup in and begins to add its clients, one backup after the other; returns the job. */
    Job begin(InputStream content) throws IOException {
        if (!underWay.compareAndSet(false, true)) {
            throw Refusal.conflict("the clients of another backup are being added; try again when that has ended");
        }
        Path place = null;
        try {
            place = Files.createTempDirectory(Files.createDirectories(data.resolve("backups")), "client-");
            Path zip = place.resolve("given.zip");
            Files.copy(content, zip);
            checkRoom(zip);
            Path unpacked = place;
            return jobs.find(
                    jobs.startForAll("clients", "Adding the clients of a backup", progress -> add(unpacked, progress)));
        } catch (IOException | RuntimeException e) {
            end(place);
            throw e;
        }
    }

    private void checkRoom(Path zip) throws IOException {
        DatabaseFile.requireCopy(zip);
        String shortage = disk.shortage(COPIES * DatabaseFile.unpackedSize(zip));
        if (shortage != null) throw Refusal.conflict(shortage);
    }

    private void end(Path place) throws IOException {
        if (place != null) FileSystemUtils.deleteRecursively(place);
        underWay.set(false);
    }

    private String add(Path place, Progress progress) throws IOException, SQLException {
        try {
            DatabaseFile.putBack(place.resolve("given.zip"), place);
            return added(place, progress);
        } catch (IOException | SQLException | RuntimeException e) {
            removeWhatWasCutShort();
            throw e;
        } finally {
            end(place);
        }
    }

    private String added(Path place, Progress progress) throws SQLException {
        DriverManagerDataSource source = new DriverManagerDataSource(DatabaseFile.url(place), "lucid", "");
        try (Connection from = source.getConnection();
                Connection to = database.getConnection()) {
            JdbcTemplate copy = new JdbcTemplate(new SingleConnectionDataSource(from, true));
            upgrade(source);
            prepare(copy);
            tellApart(copy);
            leaveOutWhatIsHere(copy);
            List<String> names = copy.queryForList("select name from client order by id", String.class);
            boolean commits = to.getAutoCommit();
            to.setAutoCommit(false);
            try {
                new MovedRows(from, to, new MovedIds(this::nextCaptureBlock), progress).move();
            } catch (SQLException | RuntimeException e) {
                to.rollback();
                throw e;
            } finally {
                to.setAutoCommit(commits);
                copy.execute("shutdown");
            }
            if (progress.stopAsked()) {
                removeWhatWasCutShort();
                return "Nothing was added.";
            }
            boolean swept = isAnyScheduled();
            arrive();
            return "Added: " + String.join(", ", names) + ". Logins are asked for again."
                    + (swept ? " Scheduled sweeps go on here." : "");
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
                        "select id from property where leaving or client_id in (select id from client where removed is not null)",
                        Long.class)
                .forEach(property -> new PropertyRows(copy, property).delete(any -> true));
        copy.update("delete from client where removed is not null");
        copy.update("update client set removed = now(), arriving = true");
        copy.update(
                "update job set state = 'failed', ended = now(), note = 'It was under way when the backup was made.'"
                        + " where state = 'running'");
        copy.update("update sweep set state = case kind when 'crawl' then 'stopped' else 'failed' end, ended = now()"
                + " where state = 'running'");
        copy.update("update content_system set sealed = null");
        copy.update("update push set under_way = false");
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

    /** What comes back of a review sheet is taken in where it was made, if that is here too, and no answer is kept twice. */
    private void leaveOutWhatIsHere(JdbcTemplate copy) {
        for (String sheet : copy.queryForList("select id from review_sheet", String.class)) {
            if (rows.queryForList("select id from review_sheet where id = ?", sheet)
                    .isEmpty()) continue;
            copy.update("delete from review_sheet_line where sheet_id = ?", sheet);
            copy.update("delete from review_sheet where id = ?", sheet);
        }
        for (byte[] request : copy.queryForList("select request from writer_answer", byte[].class)) {
            if (rows.queryForList("select 1 from writer_answer where request = ?", (Object) request)
                    .isEmpty()) continue;
            copy.update("delete from writer_answer where request = ?", (Object) request);
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

    private boolean isAnyScheduled() {
        Long count = rows.queryForObject(
                "select count(*) from schedule s join property p on p.id = s.property_id"
                        + " join client c on c.id = p.client_id where c.arriving and p.removed is null",
                Long.class);
        return count != null && count > 0;
    }

    @EventListener(ApplicationReadyEvent.class)
    void removeWhatWasCutShort() {
        rows.queryForList(
                        "select id from property where client_id in (select id from client where arriving)", Long.class)
                .forEach(property -> new PropertyRows(rows, property).delete(any -> true));
        rows.update("delete from client where arriving");
    }
}
