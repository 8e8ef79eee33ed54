package lucidsweep.server;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import lucidsweep.server.backup.DatabaseFile;
import org.flywaydb.core.Flyway;
import org.slf4j.LoggerFactory;

/** The database that a first start begins with: the one that ./test built, else one made once for all tests of this process. */
final class EmptyDatabase {

    private static final String BUILT = System.getProperty("lucid.empty-database");

    /** Made when it is first asked for. */
    private static final class Made {
        private static final Path FILE = BUILT == null ? made() : Path.of(BUILT);
    }

    private EmptyDatabase() {}

    /** Puts one in a data folder that has no database yet. */
    static void in(Path data) {
        try {
            Files.createDirectories(data);
            DatabaseFile.begin(data, Made.FILE);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Path made() {
        try {
            // Of each migration it would say that it ran.
            ((Logger) LoggerFactory.getLogger("org.flywaydb")).setLevel(Level.ERROR);
            Path folder = Files.createTempDirectory("empty-database");
            // The database is closed with Flyway's last connection.
            Flyway.configure()
                    .dataSource("jdbc:h2:file:" + folder.resolve("lucid-sweep"), "lucid", "")
                    .load()
                    .migrate();
            return folder.resolve(DatabaseFile.NAME);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
