package lucidsweep.server.gather.crawl;

import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;

/** Keeps a crawl away from hosts that lead into private networks, unless the property allows it. */
public final class AddressGuard implements DnsResolver {

    /** Blocks that are not reached over the internet, or that lead to others by way of IPv4 (RFC 6890 and its registries). */
    private static final List<AddressBlock> NOT_PUBLIC = Stream.of(
                    "0.0.0.0/8",
                    "100.64.0.0/10",
                    "192.0.0.0/24",
                    "198.18.0.0/15",
                    "240.0.0.0/4",
                    "::/96",
                    "64:ff9b::/96",
                    "2002::/16",
                    "fc00::/7")
            .map(AddressBlock::of)
            .toList();

    private final boolean privateAllowed;
    private final DnsResolver names;

    public AddressGuard(boolean privateAllowed) {
        this(privateAllowed, SystemDefaultDnsResolver.INSTANCE);
    }

    public AddressGuard(boolean privateAllowed, DnsResolver names) {
        this.privateAllowed = privateAllowed;
        this.names = names;
    }

    /** Why an address may not be asked; empty where it may. */
    public Optional<String> objection(URI address) {
        if (privateAllowed) return Optional.empty();
        try {
            for (InetAddress each : names.resolve(address.getHost())) {
                if (isPrivate(each)) {
                    return Optional.of(address.getHost() + " leads to the private address " + each.getHostAddress()
                            + "; allow private addresses for this property if that is meant");
                }
            }
            return Optional.empty();
        } catch (UnknownHostException e) {
            return Optional.of("there is no host named " + address.getHost());
        }
    }

    /** The addresses of a host, for a connection; a host with a private one has none where that is not allowed. */
    @Override
    public InetAddress[] resolve(String host) throws UnknownHostException {
        InetAddress[] found = names.resolve(host);
        for (InetAddress each : found) {
            if (!privateAllowed && isPrivate(each)) {
                throw new UnknownHostException(host + " leads to the private address " + each.getHostAddress());
            }
        }
        return found;
    }

    @Override
    public String resolveCanonicalHostname(String host) {
        return host;
    }

    private static boolean isPrivate(InetAddress address) {
        if (address.isLoopbackAddress()
                || address.isAnyLocalAddress()
                || address.isLinkLocalAddress()
                || address.isSiteLocalAddress()
                || address.isMulticastAddress()) return true;
        return NOT_PUBLIC.stream().anyMatch(block -> block.contains(address));
    }
}
