package lucidsweep.standins;

import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;

/**
 * Answers a list page by page as marketplaces and channels do: so many a page, the next page in a Link header (RFC 8288),
 * a rest asked for now and then (429), and now and then a fault of its own (500).
 */
public final class Feed {

    /** How many items of a shop or channel come at once. */
    static final int FEW = 25;

    private static final int RESTS_EVERY = 5;
    private static final int FAILS_EVERY = 7;

    private final Supplier<List<String>> lines;
    private final int page;
    private final AtomicInteger requests = new AtomicInteger();

    Feed(List<String> lines, int page) {
        this(() -> lines, page);
    }

    /** @param lines that may be other ones each time */
    Feed(Supplier<List<String>> lines, int page) {
        this.lines = lines;
        this.page = page;
    }

    /** What is answered: a status, headers and a body. */
    public record Answer(int status, Map<String, String> headers, String body) {}

    /**
     * Answers a request.
     *
     * @param path of the feed, without its parameters
     * @param query "page=3", or null for the first page
     */
    Answer of(String path, String query) {
        int count = requests.incrementAndGet();
        if (count % RESTS_EVERY == 0) return new Answer(429, Map.of("Retry-After", "1"), "{\"error\":\"slow down\"}");
        if (count % FAILS_EVERY == 0) return new Answer(500, Map.of(), "{\"error\":\"try again\"}");
        int asked = query == null || !query.startsWith("page=") ? 1 : Integer.parseInt(query.substring(5));
        List<String> items = lines.get();
        int from = Math.min(items.size(), (asked - 1) * page);
        int to = Math.min(items.size(), from + page);
        String body = "[" + String.join(",\n", items.subList(from, to)) + "]";
        Map<String, String> headers =
                to == items.size() ? Map.of() : Map.of("Link", "<" + path + "?page=" + (asked + 1) + ">; rel=\"next\"");
        return new Answer(200, headers, body);
    }
}
