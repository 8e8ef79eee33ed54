package lucidsweep.server.backup;

import java.nio.file.Path;
import java.util.Arrays;
import lucidsweep.server.web.Refusal;
import org.flywaydb.core.Flyway;
import org.flywaydb.core.api.FlywayException;
import org.flywaydb.core.api.MigrationInfo;
import org.flywaydb.core.api.MigrationInfoService;
import org.flywaydb.core.api.MigrationState;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** Tells whether a database can be worked with: one of a later version may mean something else by what it holds. */
final class DatabaseVersion {

    private DatabaseVersion() {}

    /** @throws Refusal where the closed database in a folder is damaged or was last used by a later version than this one */
    static void check(Path folder) {
        String address = DatabaseFile.url(folder) + ";ACCESS_MODE_DATA=r";
        Flyway there = Flyway.configure()
                .dataSource(new DriverManagerDataSource(address, "lucid", ""))
                .load();
        boolean later;
        try {
            later = isLater(there.info());
        } catch (FlywayException e) {
            throw Refusal.badInput("this backup is damaged; its database cannot be opened");
        }
        if (later) {
            throw Refusal.badInput("this backup is of a later version of Lucid Sweep; take it in with that version");
        }
    }

    /** Whether a database has been changed in ways that only a later version knows of. */
    static boolean isLater(MigrationInfoService database) {
        return Arrays.stream(database.all())
                .map(MigrationInfo::getState)
                .anyMatch(state -> state == MigrationState.FUTURE_SUCCESS);
    }
}
