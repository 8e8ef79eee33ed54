package lucidsweep.server.gather.crawl;

import java.net.URI;
import java.util.HashMap;
import java.util.Map;

/** The robots.txt of every host that a crawl comes to, each asked for once. */
final class Robots {

    private final Fetcher fetcher;
    private final AddressGuard guard;
    private final Map<String, RobotsGate> gates = new HashMap<>();

    Robots(Fetcher fetcher, AddressGuard guard) {
        this.fetcher = fetcher;
        this.guard = guard;
    }

    /** The gate of an address' host. */
    synchronized RobotsGate of(URI address) throws InterruptedException {
        String host = address.getScheme() + "://" + address.getRawAuthority();
        RobotsGate gate = gates.get(host);
        if (gate == null) {
            gate = RobotsGate.of(address, fetcher, guard);
            gates.put(host, gate);
        }
        return gate;
    }
}
