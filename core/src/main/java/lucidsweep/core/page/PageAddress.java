package lucidsweep.core.page;

import java.net.URI;
import java.net.URISyntaxException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * The address of a page in its normal form (RFC 3986, section 6.2.2): scheme and host in lower case, no default port, no
 * dot segments, no fragment, at least "/" as its path, characters that may not stand in an address percent-encoded.
 */
public final class PageAddress {

    private static final String ALLOWED = "-._~:/?#[]@!$&'()*+,;=%";
    private static final int LONGEST = 2_000;
    private static final Pattern SUFFIX = Pattern.compile("\\.[A-Za-z0-9]{2,5}$");
    private static final Pattern WORD_BREAK = Pattern.compile("[-_+]|%20");

    private PageAddress() {}

    /** The normal form of an absolute http or https address; empty for anything else. */
    public static Optional<URI> of(String address) {
        return parse(address).flatMap(PageAddress::normal);
    }

    /** The normal form of a link found on a page; empty where it leads to no page ("mailto:", "javascript:" …). */
    public static Optional<URI> resolve(URI base, String link) {
        return parse(link).map(base::resolve).flatMap(PageAddress::normal);
    }

    /** The same as text. A plain path, as most links are, is put together without being taken apart first. */
    static Optional<String> resolveText(URI normalBase, String link) {
        if (isPlainPath(link)) {
            return Optional.of(normalBase.getScheme() + "://" + normalBase.getRawAuthority() + link);
        }
        return resolve(normalBase, link).map(URI::toString);
    }

    /** Whether a link is an absolute path of letters, digits and "-_~", with dots only inside its segments. */
    private static boolean isPlainPath(String link) {
        if (link.isEmpty() || link.charAt(0) != '/' || link.length() > LONGEST) return false;
        for (int i = 1; i < link.length(); i++) {
            char c = link.charAt(i);
            boolean afterSlash = link.charAt(i - 1) == '/';
            if (isLetterOrDigit(c) || c == '-' || c == '_' || c == '~') continue;
            if ((c == '/' || c == '.') && !afterSlash) continue;
            return false;
        }
        return true;
    }

    private static boolean isLetterOrDigit(char c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
    }

    /** The words of the last part of the path, "kayak hire" of "/boats/kayak-hire.html"; empty for a home page. */
    public static String slugWords(String address) {
        String path = pathOf(address);
        String[] segments = path.split("/");
        String last = segments.length == 0 ? "" : segments[segments.length - 1];
        String name = SUFFIX.matcher(last).replaceFirst("");
        return WORD_BREAK.matcher(name).replaceAll(" ").strip();
    }

    /** The folder a page lives in, "/boats/" of "/boats/kayak-hire.html"; "/" at the top. */
    public static String section(String address) {
        String path = pathOf(address);
        int second = path.indexOf('/', 1);
        return second < 0 ? "/" : path.substring(0, second + 1);
    }

    private static String pathOf(String address) {
        try {
            String path = new URI(address).getRawPath();
            return path == null || path.isEmpty() ? "/" : path;
        } catch (URISyntaxException e) {
            return "/";
        }
    }

    private static Optional<URI> parse(String text) {
        String trimmed = text.strip();
        if (trimmed.length() > LONGEST) return Optional.empty();
        try {
            return Optional.of(new URI(trimmed));
        } catch (URISyntaxException e) {
            try {
                return Optional.of(new URI(encoded(trimmed)));
            } catch (URISyntaxException hopeless) {
                return Optional.empty();
            }
        }
    }

    private static Optional<URI> normal(URI address) {
        String scheme = address.getScheme();
        String host = address.getHost();
        if (scheme == null || host == null) return Optional.empty();
        scheme = scheme.toLowerCase(Locale.ROOT);
        if (!scheme.equals("http") && !scheme.equals("https")) return Optional.empty();
        boolean defaultPort = address.getPort() == (scheme.equals("http") ? 80 : 443);
        String port = address.getPort() < 0 || defaultPort ? "" : ":" + address.getPort();
        String path = address.normalize().getRawPath();
        while (path != null && path.startsWith("/../")) path = path.substring(3);
        if (path == null || path.isEmpty()) path = "/";
        String query = address.getRawQuery() == null ? "" : "?" + address.getRawQuery();
        try {
            return Optional.of(new URI(scheme + "://" + host.toLowerCase(Locale.ROOT) + port + path + query));
        } catch (URISyntaxException e) {
            return Optional.empty();
        }
    }

    private static String encoded(String text) {
        StringBuilder safe = new StringBuilder();
        for (byte b : text.getBytes(StandardCharsets.UTF_8)) {
            char c = (char) (b & 0xFF);
            if (isLetterOrDigit(c) || ALLOWED.indexOf(c) >= 0) safe.append(c);
            else safe.append(String.format("%%%02X", (int) c));
        }
        return safe.toString();
    }
}
