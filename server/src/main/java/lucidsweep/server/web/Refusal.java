package lucidsweep.server.web;

import org.springframework.http.HttpStatus;

/** Something that cannot be done, said in a sentence a person can act on. */
public final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final HttpStatus status;

    private Refusal(HttpStatus status, String message) {
        super(message);
        this.status = status;
    }

    /** What was asked for is not there. */
    public static Refusal notFound(String what) {
        return new Refusal(HttpStatus.NOT_FOUND, what);
    }

    /** What was given cannot be used. */
    public static Refusal badInput(String what) {
        return new Refusal(HttpStatus.UNPROCESSABLE_CONTENT, what);
    }

    /** It would overwrite or clash with something. */
    public static Refusal conflict(String what) {
        return new Refusal(HttpStatus.CONFLICT, what);
    }

    HttpStatus status() {
        return status;
    }
}
