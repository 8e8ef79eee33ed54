package lucidsweep.server.database;

import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/** The database writes what was committed to disk every half second; where that is too late, it is told to do so now. */
@Component
public final class Durability {

    private final JdbcTemplate database;

    Durability(JdbcTemplate database) {
        this.database = database;
    }

    /** Returns when all that was committed before is on disk. */
    public void await() {
        database.execute("checkpoint sync");
    }
}
