package lucidsweep.server.gather.crawl;

import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.URI;
import java.net.UnknownHostException;
import java.util.Optional;
import org.apache.hc.client5.http.DnsResolver;
import org.apache.hc.client5.http.SystemDefaultDnsResolver;

/** Keeps a crawl away from hosts that lead into private networks, unless the property allows it. */
public final class AddressGuard implements DnsResolver {

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
        byte[] bytes = address.getAddress();
        int first = bytes[0] & 0xFF;
        if (address instanceof Inet6Address) return (first & 0xFE) == 0xFC;
        boolean sharedByCarrier = first == 100 && (bytes[1] & 0xC0) == 64;
        return first == 0 || sharedByCarrier;
    }
}
