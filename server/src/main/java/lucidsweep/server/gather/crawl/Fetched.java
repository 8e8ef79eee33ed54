package lucidsweep.server.gather.crawl;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.format.DateTimeFormatter;
import java.util.concurrent.TimeUnit;

/**
 * What a server answered.
 *
 * @param contentType the media type in lower case, without parameters; "" where none came
 * @param charset the charset parameter; null where none came
 * @param location where a redirect leads; "" where there is none
 * @param robots the X-Robots-Tag headers that concern us, joined by ", "
 * @param retryAfter the header as it came; "" where none did
 * @param next where the Link header says the next page of a list is (RFC 8288); "" where it does not
 * @param body at most the limit; decoded
 * @param cutOff whether the body was longer than the limit
 */
public record Fetched(
        int status,
        String contentType,
        String charset,
        String location,
        String robots,
        String retryAfter,
        String next,
        byte[] body,
        boolean cutOff,
        int millis) {

    private static final long LONGEST_RETRY_SECONDS = 86_400;

    /** How long the server asks to be left alone, in ms; 0 where it does not. */
    long retryAfterMs() {
        try {
            if (retryAfter.isEmpty()) return 0;
            if (retryAfter.chars().allMatch(Character::isDigit)) {
                return TimeUnit.SECONDS.toMillis(Math.min(LONGEST_RETRY_SECONDS, Long.parseLong(retryAfter)));
            }
            Instant moment = DateTimeFormatter.RFC_1123_DATE_TIME.parse(retryAfter, Instant::from);
            return Math.max(0, Duration.between(Instant.now(), moment).toMillis());
        } catch (NumberFormatException | DateTimeException e) {
            return 0;
        }
    }

    boolean isRedirect() {
        return status >= 300 && status < 400 && !location.isEmpty();
    }

    boolean isHtml() {
        if (contentType.isEmpty()) return startsWithMarkup();
        return contentType.equals("text/html") || contentType.equals("application/xhtml+xml");
    }

    private boolean startsWithMarkup() {
        for (byte b : body) {
            if (b == '<') return true;
            if (b > ' ') return false;
        }
        return false;
    }
}
