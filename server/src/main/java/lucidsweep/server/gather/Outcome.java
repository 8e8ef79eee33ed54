package lucidsweep.server.gather;

import java.util.Locale;

/** What became of an address. */
enum Outcome {
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

    String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
