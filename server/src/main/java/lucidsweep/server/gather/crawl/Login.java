package lucidsweep.server.gather.crawl;

import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.Locale;
import java.util.Set;
import java.util.regex.Pattern;
import lucidsweep.server.web.Refusal;

/**
 * What lets a sweep into a site that is closed to others: HTTP basic, a header of the consultant's own, or both. It is sent
 * to the host of the property alone, and no text shows it.
 *
 * @param user "" where there is no basic login
 * @param header the name of a header; "" where there is none
 */
public record Login(String user, String password, String header, String value) {

    public static final Login NONE = new Login("", "", "", "");

    private static final Pattern HEADER = Pattern.compile("[A-Za-z0-9!#$%&'*+.^_`|~-]{1,100}");
    private static final Pattern VALUE = Pattern.compile("[\\x20-\\x7E\\x80-\\xFF]{0,2000}");
    private static final Set<String> OURS =
            Set.of("host", "content-length", "transfer-encoding", "connection", "accept-encoding", "user-agent");

    /** Checks it; what is wrong is said in words that do not repeat a secret. */
    void check() {
        if (user.contains(":")) throw Refusal.badInput("the user name may not contain a colon");
        if (user.length() > 200 || password.length() > 500) throw Refusal.badInput("the name or password is too long");
        if (header.isEmpty()) return;
        if (!HEADER.matcher(header).matches()) throw Refusal.badInput("this is not a header name: " + header);
        if (OURS.contains(header.toLowerCase(Locale.ROOT))) {
            throw Refusal.badInput("the header " + header + " is set by the sweep itself");
        }
        if (!VALUE.matcher(value).matches())
            throw Refusal.badInput("the header's value contains characters that a header may not have");
    }

    boolean isNone() {
        return user.isEmpty() && header.isEmpty();
    }

    /** The value of the Authorization header. */
    String basic() {
        byte[] pair = (user + ":" + password).getBytes(StandardCharsets.UTF_8);
        return "Basic " + Base64.getEncoder().encodeToString(pair);
    }

    /** Whether it may be sent to an address: the property's own host, by a way no less safe than its own. */
    static boolean mayGo(URI address, URI property) {
        boolean sameHost = property.getRawAuthority().equalsIgnoreCase(address.getRawAuthority());
        return sameHost && property.getScheme().equalsIgnoreCase(address.getScheme());
    }

    @Override
    public String toString() {
        return isNone() ? "no login" : "a login";
    }
}
