package lucidsweep.server.command;

/** A command that cannot be run as it was given; the message is the one line that is shown. */
final class Unusable extends RuntimeException {

    private static final long serialVersionUID = 1L;

    static final int BAD_ARGUMENTS = 2;
    static final int UNREACHABLE = 3;
    static final int TOO_MANY = 4;
    static final int NOT_ALL = 4;

    private final int exitStatus;

    /** What was given cannot be used. */
    Unusable(String message) {
        this(BAD_ARGUMENTS, message);
    }

    Unusable(int exitStatus, String message) {
        super(message);
        this.exitStatus = exitStatus;
    }

    int exitStatus() {
        return exitStatus;
    }
}
