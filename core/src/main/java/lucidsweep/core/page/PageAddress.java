package lucidsweep.core.page;

import java.net.IDN;
import java.net.URI;
import java.net.URISyntaxException;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Pattern;

/**
 * The address of a page in its normal form (RFC 3986, section 6.2.2): scheme and host in lower case, no default port, no
 * name of a user, no dot segments, no fragment, at least "/" as its path, percent-encoding where it is needed and only there.
 */
public final class PageAddress {

    private static final int LONGEST = 2_000;
    private static final Pattern FIRST_PAGE =
            Pattern.compile("(?i)(?<=/)(index|default|home)\\.(x?html?|php|aspx?|jsp|cgi)$");

    /** What a normal form writes otherwise than browsers do, by the letter. */
    private static final boolean[] OTHERWISE_ASKED = new boolean[128];

    static {
        "%|^{}`'\\[]".chars().forEach(c -> OTHERWISE_ASKED[c] = true);
    }

    private static final Pattern WORD_BREAK = Pattern.compile("[-_+]");

    private PageAddress() {}

    /** The host of an address, with its port where it names one: "bay.example:8080"; "" of what is none. */
    public static String host(String address) {
        return of(address).map(URI::getAuthority).orElse("");
    }

    /** The normal form of an absolute http or https address; empty for anything else. */
    public static Optional<URI> of(String address) {
        return text(address).map(URI::create);
    }

    /** The same as text. */
    public static Optional<String> text(String address) {
        if (address.length() > LONGEST) return Optional.empty();
        if (NormalAddress.is(address)) return Optional.of(address);
        Reference reference = Reference.of(address).absolute();
        if (reference.scheme() == null) return Optional.empty();
        return normal(reference.on(reference)).filter(PageAddress::isShort);
    }

    /** The normal form of a link found on a page of a normal address; empty where it leads to no page ("mailto:", "javascript:" …). */
    public static Optional<URI> resolve(URI base, String link) {
        return resolveText(base, link).map(URI::create);
    }

    /**
     * Where a link leads.
     *
     * @param address the normal form of its address
     * @param asked the path and query that a browser asks for; null where they are those of the address
     */
    public record Destination(String address, String asked) {}

    /** Where a link on a page of a normal address leads, and what to ask for; empty where it leads to no page. */
    public static Optional<Destination> destination(URI base, String link) {
        return resolveText(base, link).map(address -> new Destination(address, asked(base, link, address)));
    }

    private static String asked(URI base, String link, String address) {
        if (!mayBeAskedOtherwise(link)) return null;
        String asked = Reference.asAsked(link).on(reference(base)).pathAndQuery();
        return address.endsWith(asked) || asked.length() > LONGEST ? null : asked;
    }

    /** Asked of every link, so it is no pattern. */
    private static boolean mayBeAskedOtherwise(String link) {
        for (int i = 0; i < link.length(); i++) {
            char c = link.charAt(i);
            if (c < OTHERWISE_ASKED.length && OTHERWISE_ASKED[c]) return true;
        }
        return false;
    }

    private static Reference reference(URI base) {
        return new Reference(base.getScheme(), base.getRawAuthority(), base.getRawPath(), base.getRawQuery());
    }

    /** The normal form of a link as text. */
    static Optional<String> resolveText(URI base, String link) {
        if (link.length() > LONGEST) return Optional.empty();
        if (Reference.isPlainPath(link)) {
            return Optional.of(base.getScheme() + "://" + base.getRawAuthority() + link)
                    .filter(PageAddress::isShort);
        }
        Reference reference = Reference.of(link);
        Reference here = reference(base);
        Reference whole = reference.on(here);
        boolean sameHost = whole.authority() != null && whole.authority().equals(here.authority());
        Optional<String> address = sameHost
                ? Optional.of(whole.scheme() + "://" + whole.authority() + whole.pathAndQuery())
                : normal(whole);
        return address.filter(PageAddress::isShort);
    }

    /** What is short as written may be long when it is encoded or put behind the path of its page. */
    private static boolean isShort(String address) {
        return address.length() <= LONGEST;
    }

    /** The words of the last part of the path, "kayak hire" of "/boats/kayak-hire.html"; empty for a home page. */
    public static String slugWords(String address) {
        return WORD_BREAK.matcher(Slug.of(address).text()).replaceAll(" ").strip();
    }

    /** The folder a page lives in, "/boats/" of "/boats/kayak-hire.html"; "/" at the top. */
    public static String section(String address) {
        String path = pathOf(address);
        int second = path.indexOf('/', 1);
        return second < 0 ? "/" : path.substring(0, second + 1);
    }

    /**
     * The same for addresses that sites use for one page: http or https, with "www." or without, with "/" at the end or
     * without, with the name of a folder's first page or without, with whatever parameters.
     *
     * <pre>{@code twinKey("http://www.example.com/tours/index.html?ref=home")   // "example.com/tours" }</pre>
     */
    public static String twinKey(String address) {
        int host = address.indexOf("//") + 2;
        int end = address.indexOf('?');
        String rest = end < 0 ? address.substring(host) : address.substring(host, end);
        if (rest.startsWith("www.")) rest = rest.substring(4);
        String plain = FIRST_PAGE.matcher(rest).replaceFirst("");
        return plain.endsWith("/") ? plain.substring(0, plain.length() - 1) : plain;
    }

    /** The path of an address without its query: "/tours/"; "/" where it has none. */
    public static String pathOf(String address) {
        String path = Reference.of(address).path();
        return path.isEmpty() ? "/" : path;
    }

    private static Optional<String> normal(Reference reference) {
        if (reference.authority() == null) return Optional.empty();
        String scheme = reference.scheme().toLowerCase(Locale.ROOT);
        if (!scheme.equals("http") && !scheme.equals("https")) return Optional.empty();
        return host(reference.authority(), scheme).map(host -> scheme + "://" + host + reference.pathAndQuery());
    }

    /**
     * Host and port of an authority, without a port that is the usual one; empty where there is no valid host. Names in
     * other scripts become their ASCII form.
     */
    private static Optional<String> host(String authority, String scheme) {
        if (NormalAddress.hostEnd(authority, 0) == authority.length()) return Optional.of(authority);
        String server = authority.substring(authority.lastIndexOf('@') + 1);
        int colon = server.lastIndexOf(':');
        boolean port = colon > server.lastIndexOf(']') && colon >= 0;
        String name = port ? server.substring(0, colon) : server;
        try {
            // A name may be percent-encoded as a whole, but not to bring in what ends it.
            if (name.indexOf('%') >= 0) name = URLDecoder.decode(name.replace("+", "%2B"), StandardCharsets.UTF_8);
            if (name.indexOf('/') >= 0) return Optional.empty();
            boolean ascii = name.chars().allMatch(c -> c < 0x80);
            String known = ascii ? name : IDN.toASCII(name, IDN.ALLOW_UNASSIGNED);
            URI address = new URI("http://" + known + (port ? server.substring(colon) : ""));
            if (address.getHost() == null) return Optional.empty();
            boolean usual = address.getPort() < 0 || address.getPort() == (scheme.equals("http") ? 80 : 443);
            String host = address.getHost().toLowerCase(Locale.ROOT);
            return Optional.of(usual ? host : host + ":" + address.getPort());
        } catch (URISyntaxException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
