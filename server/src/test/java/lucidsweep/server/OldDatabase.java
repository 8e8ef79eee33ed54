package lucidsweep.server;

import java.nio.file.Path;
import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.ArrayList;
import java.util.List;

/** A database that an earlier version made, in a data folder. */
final class OldDatabase {

    private OldDatabase() {}

    static void in(Path data) throws SQLException {
        run(data, "runscript from 'classpath:before-12.sql'");
    }

    /** Runs a statement on a database that nobody has open. */
    static void run(Path data, String statement) throws SQLException {
        try (Connection database = open(data);
                Statement run = database.createStatement()) {
            run.execute(statement);
        }
    }

    /** All of a database as the statements that would make it. */
    static List<String> contents(Path data) throws SQLException {
        List<String> lines = new ArrayList<>();
        try (Connection database = open(data);
                Statement script = database.createStatement();
                ResultSet rows = script.executeQuery("script")) {
            while (rows.next()) lines.add(rows.getString(1));
        }
        return lines;
    }

    private static Connection open(Path data) throws SQLException {
        return DriverManager.getConnection("jdbc:h2:file:" + data.resolve("lucid-sweep"), "lucid", "");
    }
}
