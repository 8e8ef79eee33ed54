package lucidsweep.server.web;

import java.util.List;
import org.springframework.http.HttpStatus;

/** Something that cannot be done, said in a sentence a person can act on. */
public final class Refusal extends RuntimeException {

    private static final long serialVersionUID = 1L;

    private final HttpStatus status;
    private final transient List<Conflict> conflicts;

    private Refusal(HttpStatus status, String message) {
        this(status, message, List.of());
    }

    private Refusal(HttpStatus status, String message, List<Conflict> conflicts) {
        super(message);
        this.status = status;
        this.conflicts = conflicts;
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

    /** Texts were changed since the person looked; nothing was done, and they are shown to choose from. */
    public static Refusal changedMeanwhile(int count, List<Conflict> some) {
        String texts = count == 1 ? "1 text was" : count + " texts were";
        return new Refusal(
                HttpStatus.CONFLICT,
                texts + " changed since you looked; nothing was done. Choose what is to stand.",
                some);
    }

    /** The texts that were changed meanwhile; empty where that is not the reason. */
    List<Conflict> conflicts() {
        return conflicts;
    }

    HttpStatus status() {
        return status;
    }
}
