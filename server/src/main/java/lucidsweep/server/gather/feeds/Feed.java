package lucidsweep.server.gather.feeds;

import java.io.BufferedWriter;
import java.io.IOException;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.crawl.AddressGuard;
import lucidsweep.server.gather.crawl.Agent;
import lucidsweep.server.gather.crawl.Fetched;
import lucidsweep.server.gather.crawl.Fetcher;
import lucidsweep.server.gather.crawl.Login;
import lucidsweep.server.gather.crawl.Politeness;
import lucidsweep.server.gather.crawl.RequestPace;
import lucidsweep.server.job.Progress;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * A list that a marketplace or channel answers over HTTP, page by page: a JSON array of objects, or an object that holds one;
 * the next page in a Link header (RFC 8288) or as "next". A rest that it asks for is kept, a fault of its own is asked again.
 */
public final class Feed {

    private static final int TRIES = 5;
    private static final int MAX_PAGES = 20_000;
    private static final int MAX_CONNECTIONS = 1;

    private final Fetcher fetcher;
    private final AddressGuard guard;
    private final JsonMapper json;
    private final Progress progress;
    private final RequestPace pace = new RequestPace(new Politeness(MAX_CONNECTIONS, 0));

    private Feed(Fetcher fetcher, AddressGuard guard, JsonMapper json, Progress progress) {
        this.fetcher = fetcher;
        this.guard = guard;
        this.json = json;
        this.progress = progress;
    }

    /** Says in words where a property has no address of a feed. */
    static URI checkAddress(Property property) {
        return PageAddress.of(property.address())
                .orElseThrow(() -> Refusal.badInput("this property has no feed address; please enter one"));
    }

    /**
     * Reads all pages from an address on into a file of JSON Lines.
     *
     * @return how many objects there are
     */
    static int read(Property property, URI start, Login login, Path file, JsonMapper json, Progress progress)
            throws InterruptedException, IOException {
        AddressGuard guard = new AddressGuard(property.privateAllowed());
        try (Fetcher fetcher = new Fetcher(guard, login, start, Fetcher.Patience.USUAL, Agent.USUAL);
                BufferedWriter out = Files.newBufferedWriter(file, StandardCharsets.UTF_8)) {
            return new Feed(fetcher, guard, json, progress).read(start, out);
        }
    }

    private int read(URI start, BufferedWriter out) throws InterruptedException, IOException {
        Set<URI> seen = new HashSet<>();
        URI at = start;
        int items = 0;
        for (int page = 1; page <= MAX_PAGES && at != null && seen.add(at); page++) {
            if (progress.stopAsked()) throw Refusal.conflict("Stopped; nothing was imported.");
            Fetched answer = page(at, page);
            JsonNode body = body(answer, page);
            JsonNode list = list(body);
            for (JsonNode item : list) {
                if (!item.isObject()) continue;
                out.write(json.writeValueAsString(item));
                out.write('\n');
                items++;
            }
            progress.report(items, 0);
            String next = answer.next().isEmpty() ? body.path("next").asString("") : answer.next();
            at = next.isEmpty() ? null : PageAddress.resolve(at, next).orElse(null);
        }
        if (items == 0) throw Refusal.badInput(FeedFetch.withoutQuery(start) + " answers no list of objects");
        return items;
    }

    private Fetched page(URI address, int page) throws InterruptedException {
        guard.objection(address).ifPresent(why -> {
            throw Refusal.badInput(why);
        });
        String problem = "";
        for (int tried = 0; tried < TRIES; tried++) {
            pace.await();
            try {
                Fetched answer = fetcher.get(address);
                pace.answered(answer);
                if (answer.status() == 200 && !answer.cutOff()) return answer;
                problem = answer.cutOff() ? "is longer than 5 MB" : "answers " + answer.status();
                boolean passing = answer.status() == 429 || answer.status() >= 500;
                if (!passing) break;
            } catch (Fetcher.Unreachable e) {
                problem = "cannot be reached: " + e.getMessage();
            }
        }
        throw Refusal.badInput("page " + page + " of the feed " + problem + "; nothing was changed");
    }

    private JsonNode body(Fetched answer, int page) {
        try {
            return json.readTree(answer.body());
        } catch (JacksonException e) {
            throw Refusal.badInput(
                    "page " + page + " of the feed is no JSON that can be read: " + e.getOriginalMessage());
        }
    }

    /** The body itself, or the first list of objects in it. */
    private static JsonNode list(JsonNode body) {
        if (body.isArray()) return body;
        Optional<JsonNode> inside = body.valueStream()
                .filter(value -> value.isArray() && value.path(0).isObject())
                .findFirst();
        return inside.orElse(body.path("none"));
    }
}
