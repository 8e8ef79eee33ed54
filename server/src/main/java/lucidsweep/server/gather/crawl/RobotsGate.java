package lucidsweep.server.gather.crawl;

import crawlercommons.robots.BaseRobotRules;
import crawlercommons.robots.SimpleRobotRulesParser;
import java.net.URI;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.page.PageAddress;

/** What a site's robots.txt allows us, and the sitemaps it names. */
final class RobotsGate {

    private static final long LONGEST_DELAY_MS = 10_000;
    private static final int MAX_REDIRECTS = 5;

    private final BaseRobotRules rules;
    private final String silence;

    private RobotsGate(BaseRobotRules rules, String silence) {
        this.rules = rules;
        this.silence = silence;
    }

    /**
     * Asks for robots.txt; a 4xx, or a redirect that leads nowhere we may go, allows everything, a 5xx or silence forbids
     * everything (RFC 9309).
     */
    static RobotsGate of(URI site, Fetcher fetcher, AddressGuard guard) throws InterruptedException {
        URI address = site.resolve("/robots.txt");
        SimpleRobotRulesParser parser = new SimpleRobotRulesParser();
        try {
            URI at = address;
            Fetched answer = fetcher.get(at);
            for (int step = 0; step < MAX_REDIRECTS && answer.isRedirect(); step++) {
                Optional<URI> moved = PageAddress.resolve(at, answer.location())
                        .filter(to -> guard.objection(to).isEmpty());
                if (moved.isEmpty()) break;
                at = moved.get();
                answer = fetcher.get(at);
            }
            if (answer.isRedirect()) return new RobotsGate(parser.failedFetch(404), null);
            if (answer.status() != 200) return new RobotsGate(parser.failedFetch(answer.status()), null);
            return new RobotsGate(
                    parser.parseContent(
                            address.toString(),
                            answer.body(),
                            "text/plain",
                            Set.of(fetcher.agent().token())),
                    null);
        } catch (Fetcher.Unreachable e) {
            return new RobotsGate(parser.failedFetch(503), e.getMessage());
        }
    }

    /** Why the site did not answer at all; empty where it did. */
    Optional<String> silence() {
        return Optional.ofNullable(silence);
    }

    boolean allows(String address) {
        return rules.isAllowed(address);
    }

    List<String> sitemaps() {
        return rules.getSitemaps();
    }

    /** The delay the site asks for, in ms; 0 where it asks for none. */
    long delayMs() {
        return Math.max(0, Math.min(LONGEST_DELAY_MS, rules.getCrawlDelay()));
    }
}
