package lucidsweep.server.web;

import jakarta.annotation.Nullable;
import java.time.Duration;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * How long whoever asks wants to wait for what follows what he asked for, as RFC 7240 has it: {@code Prefer: wait=0} for not
 * at all.
 */
public final class PreferredWait {

    private static final Pattern SECONDS =
            Pattern.compile("(?i)(?:^|[,;])\\s*wait\\s*=\\s*\"?(\\d{1,6})\"?\\s*(?:$|[,;])");

    private PreferredWait() {}

    /**
     * @param header the header's value; null where there is none
     * @param most what is waited at most, and where the header does not say, or says something else
     */
    public static Duration of(@Nullable String header, Duration most) {
        Matcher said = SECONDS.matcher(header == null ? "" : header);
        if (!said.find()) return most;
        Duration wanted = Duration.ofSeconds(Integer.parseInt(said.group(1)));
        return wanted.compareTo(most) < 0 ? wanted : most;
    }
}
