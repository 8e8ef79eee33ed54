package lucidsweep.server.gather.crawl;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.net.URI;
import java.util.Optional;
import lucidsweep.core.page.PageAddress;

/**
 * What the scripts of pages ask for: fetched as politely as pages are, kept from private hosts and from what robots.txt
 * blocks. What was fetched once is not asked for again in the same sweep. Safe for many threads.
 */
final class ScriptSources {

    private static final long MAX_BYTES = 40_000_000;
    private static final int MAX_REDIRECTS = 5;

    private final Fetcher fetcher;
    private final AddressGuard guard;
    private final Robots robots;
    private final RequestPace pace;
    private final Cache<String, Optional<Fetched>> fetched = Caffeine.newBuilder()
            .maximumWeight(MAX_BYTES)
            .weigher((String address, Optional<Fetched> answer) ->
                    200 + answer.map(Fetched::body).map(body -> body.length).orElse(0))
            .build();

    ScriptSources(Fetcher fetcher, AddressGuard guard, Robots robots, RequestPace pace) {
        this.fetcher = fetcher;
        this.guard = guard;
        this.robots = robots;
        this.pace = pace;
    }

    /** What stands at an address that a page asks for; empty where it may not be asked or does not answer. */
    Optional<Fetched> get(URI page, String asked) {
        return PageAddress.resolve(page, asked).flatMap(at -> fetched.get(at.toString(), key -> ask(at)));
    }

    private Optional<Fetched> ask(URI asked) {
        URI at = asked;
        try {
            for (int step = 0; step <= MAX_REDIRECTS; step++) {
                boolean mayAsk = guard.objection(at).isEmpty() && robots.of(at).allows(at.toString());
                if (!mayAsk) return Optional.empty();
                pace.await();
                Fetched answer = fetcher.get(at);
                pace.answered(answer);
                if (!answer.isRedirect()) return Optional.of(answer);
                Optional<URI> to = PageAddress.resolve(at, answer.location());
                if (to.isEmpty()) return Optional.empty();
                at = to.get();
            }
            return Optional.empty();
        } catch (Fetcher.Unreachable e) {
            return Optional.empty();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return Optional.empty();
        }
    }
}
