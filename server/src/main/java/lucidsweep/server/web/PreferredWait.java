package lucidsweep.server.web;

import jakarta.annotation.Nullable;
import java.time.Duration;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** How long a request may take for what can come later, by its header (RFC 7240): {@code Prefer: wait=0} is answered at once. */
public final class PreferredWait {

    private static final Pattern SECONDS =
            Pattern.compile("(?i)(?:^|[,;])\\s*wait\\s*=\\s*\"?(\\d{1,6})\"?\\s*(?:$|[,;])");

    private PreferredWait() {}

    /**
     * @param header the header's value; null where there is none
     * @param most the longest wait, which is also that of a header that says nothing of it, or nothing that can be read
     */
    public static Duration of(@Nullable String header, Duration most) {
        Matcher said = SECONDS.matcher(header == null ? "" : header);
        if (!said.find()) return most;
        Duration wanted = Duration.ofSeconds(Integer.parseInt(said.group(1)));
        return wanted.compareTo(most) < 0 ? wanted : most;
    }
}
