package lucidsweep.server.database;

import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import javax.sql.DataSource;
import org.springframework.stereotype.Component;

/** Gives the database an eighth of the heap for the pages it keeps at hand, whatever it would choose itself. */
@Component
final class CacheSize {

    private static final int SHARE = 8;

    CacheSize(DataSource database) throws SQLException {
        long kilobytes = Runtime.getRuntime().maxMemory() / 1_024 / SHARE;
        try (Connection connection = database.getConnection();
                Statement statement = connection.createStatement()) {
            statement.execute("set cache_size " + kilobytes);
        }
    }
}
