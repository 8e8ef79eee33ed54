package lucidsweep.server.startup;

/** The application cannot start here; the message is what a person can do about it. */
final class StartRefused extends RuntimeException {

    private static final long serialVersionUID = 1L;

    StartRefused(String message) {
        super(message);
    }
}
