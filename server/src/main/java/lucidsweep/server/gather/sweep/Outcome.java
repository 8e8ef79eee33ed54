package lucidsweep.server.gather.sweep;

import java.util.Locale;

/** What became of an address. */
public enum Outcome {
    WAITING,
    CAPTURED,
    REDIRECT,
    REDIRECT_LOOP,
    ERROR_STATUS,
    NOT_HTML,
    BLOCKED,
    NOFOLLOW,
    OUT_OF_SCOPE,
    TRAP,
    PASSED,
    UNREACHABLE,
    REFUSED,
    TOO_DEEP,
    OVER_LIMIT,
    UNREADABLE;

    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
