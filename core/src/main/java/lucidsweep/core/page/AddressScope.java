package lucidsweep.core.page;

import java.net.URI;
import java.util.List;
import java.util.Optional;

/**
 * Which addresses a sweep looks at: those on the host that it keeps to that fit an included pattern, if there are any, and
 * no excluded one. "www." before a host and the choice of http or https make no difference.
 */
public final class AddressScope {

    private final List<AddressPattern> included;
    private final List<AddressPattern> excluded;
    private final boolean subdomains;
    private final QueryRule query;
    private volatile String authority = "";

    public AddressScope(
            List<AddressPattern> included, List<AddressPattern> excluded, boolean subdomains, QueryRule query) {
        this.included = List.copyOf(included);
        this.excluded = List.copyOf(excluded);
        this.subdomains = subdomains;
        this.query = query;
    }

    /** Says on which host it lies. */
    public void keepTo(URI start) {
        authority = bare(start.getRawAuthority());
    }

    /** Whether a normal address is on the host, or on one below it where those belong to it. */
    public boolean isHere(String address) {
        int from = address.indexOf("//") + 2;
        int end = address.indexOf('/', from);
        String host = bare(end < 0 ? address.substring(from) : address.substring(from, end));
        return host.equals(authority) || subdomains && host.endsWith("." + authority);
    }

    /** An address as it is looked at, with its parameters handled. */
    public String normal(String address) {
        return query.of(address);
    }

    /** Why an address that is here is left out; empty where it is looked at. */
    public Optional<String> objection(String address) {
        for (AddressPattern pattern : excluded) {
            if (pattern.matches(address)) return Optional.of("excluded by " + pattern);
        }
        if (included.isEmpty() || included.stream().anyMatch(pattern -> pattern.matches(address))) {
            return Optional.empty();
        }
        return Optional.of(
                included.size() == 1
                        ? "does not fit " + included.get(0)
                        : "fits none of the " + included.size() + " included patterns");
    }

    private static String bare(String authority) {
        return authority.startsWith("www.") ? authority.substring(4) : authority;
    }
}
