package lucidsweep.server.backup;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import javax.sql.DataSource;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationInfoService;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.flyway.autoconfigure.FlywayMigrationStrategy;
import org.springframework.stereotype.Component;

/** Brings the database of an earlier version over, all of it or nothing: a copy is made before, and put back where that fails. */
@Component
final class UpgradeGuard implements FlywayMigrationStrategy {

    private static final Logger LOG = LoggerFactory.getLogger(UpgradeGuard.class);

    private final UpgradeCopy copy;

    UpgradeGuard(@Value("${lucid.data}") Path folder) {
        copy = new UpgradeCopy(folder);
    }

    @Override
    public void migrate(Flyway flyway) {
        // Asking takes a while: it looks for migrations in every library.
        MigrationInfoService info = flyway.info();
        if (DatabaseVersion.isLater(info)) {
            throw new FlywayException(
                    "The data was last used by a later version of Lucid Sweep. Start that one, or choose"
                            + " another folder: ./start --data DIR");
        }
        if (info.pending().length == 0) {
            flyway.migrate();
            return;
        }
        // A new database is brought over from nothing: half of one could not be opened either.
        boolean isNew = info.current() == null;
        DataSource database = flyway.getConfiguration().getDataSource();
        try {
            if (!isNew) System.out.println("Bringing the data to this version, after a copy of it is made ...");
            run(database, DatabaseFile.copyTo(copy.unfinished()));
            copy.begin();
            flyway.migrate();
            copy.end();
            if (isNew) copy.delete();
        } catch (IOException e) {
            throw new UncheckedIOException("no copy could be made before the upgrade", e);
        } catch (RuntimeException e) {
            LOG.error("the upgrade failed; the database is put back as it was", e);
            putBack(database);
            throw e;
        }
    }

    private void putBack(DataSource database) {
        try {
            shutDown(database);
            copy.putBackWhereCutShort();
        } catch (IOException | RuntimeException e) {
            // The mark stays, so the next start tries it again.
            LOG.error("the database could not be put back", e);
        }
    }

    private static void shutDown(DataSource database) {
        try (Connection connection = database.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("shutdown");
        } catch (SQLException e) {
            // A connection whose database was shut down says so when it is closed.
            LOG.debug("shut down", e);
        }
    }

    private static void run(DataSource database, String command) {
        try (Connection connection = database.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute(command);
        } catch (SQLException e) {
            throw new IllegalStateException("the database did not do: " + command, e);
        }
    }
}
