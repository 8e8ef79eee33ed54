package lucidsweep.server.startup;

import java.net.BindException;
import java.sql.SQLException;
import org.flywaydb.core.api.FlywayException;
import org.h2.api.ErrorCode;
import org.springframework.boot.web.server.PortInUseException;

/** What kept the application from starting, in a sentence; the log has the rest. */
public final class StartProblem {

    static final String IN_USE =
            "Another Lucid Sweep is using this data folder. End it, or choose another folder: ./start --data DIR";

    private StartProblem() {}

    /** The sentence for an exception that ended the start. */
    public static String said(Throwable problem) {
        for (Throwable cause = problem; cause != null; cause = cause.getCause()) {
            if (cause instanceof StartRefused) return cause.getMessage();
            if (cause instanceof PortInUseException taken) return portTaken(String.valueOf(taken.getPort()));
            if (cause instanceof BindException) return portTaken("it was to use");
            if (cause instanceof SQLException sql && sql.getErrorCode() == ErrorCode.DATABASE_ALREADY_OPEN_1) {
                return IN_USE;
            }
        }
        Throwable cause = problem;
        while (cause.getCause() != null && !(cause instanceof FlywayException)) cause = cause.getCause();
        return "Lucid Sweep could not start: " + firstLine(cause) + " The log in the data folder has the details.";
    }

    private static String portTaken(String which) {
        return "Port " + which + " is in use. End what uses it, or choose another: ./start --port N";
    }

    private static String firstLine(Throwable cause) {
        String message = cause.getMessage() == null ? "" : cause.getMessage().strip();
        String line = message.lines().findFirst().orElse("the reason is not known");
        return line.endsWith(".") ? line : line + ".";
    }
}
