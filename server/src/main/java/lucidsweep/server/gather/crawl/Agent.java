package lucidsweep.server.gather.crawl;

import java.util.Locale;

/**
 * Who asks: the name that a crawl introduces itself with and that robots.txt may address.
 *
 * @param name letters, "-" and "_" (RFC 9309, section 2.2.1)
 */
public record Agent(String name) {

    public static final Agent USUAL = new Agent("LucidSweep");

    /** An agent of a name; the usual one where it is blank or null. */
    static Agent named(String name) {
        return name == null || name.isBlank() ? USUAL : new Agent(name.strip());
    }

    /** The User-Agent header. */
    String header() {
        return name + "/1 (an SEO consultant's crawler)";
    }

    /** As robots.txt and X-Robots-Tag are searched for it. */
    String token() {
        return name.toLowerCase(Locale.ROOT);
    }
}
