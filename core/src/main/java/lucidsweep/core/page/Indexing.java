package lucidsweep.core.page;

import java.net.URI;
import java.util.Locale;
import java.util.Optional;

/** Whether a search engine may list a page, and why not. */
public final class Indexing {

    private Indexing() {}

    /**
     * Why a page is not indexable; empty where it is.
     *
     * @param address where the page was found, in its normal form
     * @param status the HTTP status
     * @param robots meta robots and X-Robots-Tag together
     * @param canonical the canonical address as written; "" where there is none
     */
    public static Optional<Noindex> noindex(String address, int status, String robots, String canonical) {
        if (status != 200) return Optional.of(new Noindex(Noindex.Reason.STATUS, String.valueOf(status)));
        String directives = robots.toLowerCase(Locale.ROOT);
        if (hasDirective(directives, "noindex") || hasDirective(directives, "none")) {
            return Optional.of(new Noindex(Noindex.Reason.NOINDEX, robots));
        }
        if (canonical.isEmpty()) return Optional.empty();
        return PageAddress.resolve(URI.create(address), canonical)
                .filter(to -> !to.toString().equals(address))
                .map(to -> new Noindex(Noindex.Reason.CANONICAL, to.toString()));
    }

    /** Whether robots directives ask that no link of the page be followed. */
    public static boolean isNofollow(String robots) {
        if (robots.isEmpty()) return false;
        String directives = robots.toLowerCase(Locale.ROOT);
        return hasDirective(directives, "nofollow") || hasDirective(directives, "none");
    }

    private static boolean hasDirective(String directives, String name) {
        for (String directive : directives.split("[,;\\s]+")) {
            if (directive.equals(name)) return true;
        }
        return false;
    }
}
