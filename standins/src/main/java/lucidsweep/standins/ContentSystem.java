package lucidsweep.standins;

import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The content system of the demo client in small: pages, listings and videos with their fields and a version each, reached
 * with a token from a login, told page by page. The user {@code editor} is served well; for the user {@code troubled} it asks
 * for rests, fails, stores and then says nothing, and forgets tokens, each now and then.
 */
public final class ContentSystem {

    /** Whom it lets in. */
    public static final String USER = "editor";

    public static final String TROUBLED = "troubled";

    public static final String PASSWORD = "high-water";

    /** A text that it does not take, in a title. */
    static final int LONGEST_TITLE = 250;

    private static final int FEW = 100;
    private static final int TOKEN_LASTS = 60;
    private static final Pattern VERSION = Pattern.compile("\"version\"\\s*:\\s*(\\d+)");
    private static final Pattern AFTER = Pattern.compile("(?:^|&)after=([^&]*)");

    private final Map<String, Map<String, ContentItem>> kinds = new LinkedHashMap<>();
    private final Map<String, ContentItem> pages = new LinkedHashMap<>();
    private final Map<String, String> users = new ConcurrentHashMap<>();
    private final Map<String, AtomicInteger> served = new ConcurrentHashMap<>();
    private final AtomicInteger lists = new AtomicInteger();
    private final Supplier<LocalDate> today;
    private final AtomicInteger stored = new AtomicInteger();

    ContentSystem(DemoSite site, List<String> listings, List<String> videos, Supplier<LocalDate> today) {
        this.today = today;
        Map<String, ContentItem> ofSite = new TreeMap<>();
        int number = 0;
        for (SitePage page : site.pages().values()) {
            ContentItem item = ContentItem.ofPage(page, "p%05d".formatted(++number));
            ofSite.put(item.id, item);
            pages.put(page.path, item);
        }
        kinds.put("pages", ofSite);
        kinds.put("listings", ofFeed(listings, "listing id"));
        kinds.put("videos", ofFeed(videos, "video id"));
    }

    private static Map<String, ContentItem> ofFeed(List<String> lines, String idName) {
        Map<String, ContentItem> items = new TreeMap<>();
        for (String line : lines) {
            ContentItem item = ContentItem.ofFeed(line, idName);
            items.put(item.id, item);
        }
        return items;
    }

    /** What is answered; a status of 0 means that the connection is dropped. */
    Feed.Answer of(String method, String path, String query, String body, String key) {
        if (path.equals("/content/login") && method.equals("POST")) return login(body);
        if (path.equals("/content/stored")) return ok(String.valueOf(stored.get()));
        String token = key == null ? "" : key.replaceFirst("^Bearer ", "");
        String user = users.get(token);
        if (user == null) return error(401, "log in first");
        boolean troubled = user.equals(TROUBLED);
        if (troubled && served.get(token).incrementAndGet() > TOKEN_LASTS) {
            users.remove(token);
            return error(401, "this login has run out");
        }
        String[] parts = path.split("/");
        Map<String, ContentItem> items = parts.length < 3 ? null : kinds.get(parts[2]);
        if (items == null) return error(404, "there is no such kind");
        ContentItem item = parts.length == 3 ? null : items.get(parts[3]);
        if (parts.length > 3 && item == null) return error(404, "there is no such item");
        // Each item has its own turns, so that none fails for good, in whatever order they are asked for.
        int turn = item == null ? lists.incrementAndGet() : item.turn();
        if (troubled && turn % 41 == 0)
            return new Feed.Answer(429, Map.of("Retry-After", "1"), "{\"error\":\"slow down\"}");
        if (troubled && turn % 13 == 0) return error(500, "try again");
        if (item == null) return list(items, query);
        if (method.equals("GET")) return ok(item.json());
        if (!method.equals("PUT")) return error(405, "expected GET or PUT");
        Feed.Answer answer = store(item, body);
        // It has stored what it was sent, and the caller never hears of it.
        return troubled && answer.status() == 200 && turn % 5 == 0 ? new Feed.Answer(0, Map.of(), "") : answer;
    }

    private Feed.Answer login(String body) {
        Map<String, String> given = JsonText.texts(body);
        String user = given.getOrDefault("user", "");
        if (!Set.of(USER, TROUBLED).contains(user) || !PASSWORD.equals(given.get("password")))
            return error(401, "nobody has this name and password");
        String token = UUID.nameUUIDFromBytes((user + users.size()).getBytes(StandardCharsets.UTF_8))
                .toString();
        served.put(token, new AtomicInteger());
        users.put(token, user);
        return ok("{\"token\":" + JsonText.quoted(token) + "}");
    }

    private static Feed.Answer list(Map<String, ContentItem> items, String query) {
        Matcher after = AFTER.matcher(query == null ? "" : query);
        String from = after.find() ? after.group(1) : "";
        List<String> lines = new ArrayList<>();
        String next = "null";
        for (ContentItem item : items.values()) {
            if (item.id.compareTo(from) <= 0) continue;
            if (lines.size() == FEW) {
                next = "true";
                break;
            }
            lines.add("{\"id\":%s,\"address\":%s}".formatted(JsonText.quoted(item.id), JsonText.quoted(item.address)));
        }
        return ok("{\"items\":[" + String.join(",\n", lines) + "],\"more\":" + next.equals("true") + "}");
    }

    private Feed.Answer store(ContentItem item, String body) {
        Matcher version = VERSION.matcher(body);
        int fields = body.indexOf("\"fields\"");
        if (!version.find() || fields < 0) return error(400, "expected a version and fields");
        Map<String, String> texts = JsonText.texts(body.substring(fields + 8));
        Map<String, String> rejected = new LinkedHashMap<>();
        texts.forEach((name, text) -> {
            if (!item.has(name)) rejected.put(name, "there is no such field");
            else if (name.equals("title") && text.length() > LONGEST_TITLE)
                rejected.put(name, "longer than " + LONGEST_TITLE + " characters");
            else if (text.contains("<")) rejected.put(name, "no markup, please");
        });
        if (!rejected.isEmpty()) {
            String why = String.join(
                    ",",
                    rejected.entrySet().stream()
                            .map(each -> JsonText.quoted(each.getKey()) + ":" + JsonText.quoted(each.getValue()))
                            .toList());
            return new Feed.Answer(422, Map.of(), "{\"rejected\":{" + why + "}}");
        }
        if (!item.store(Integer.parseInt(version.group(1)), texts, today.get()))
            return error(409, "somebody changed it meanwhile: it is version " + item.version());
        stored.incrementAndGet();
        return ok("{\"id\":" + JsonText.quoted(item.id) + ",\"version\":" + item.version() + "}");
    }

    private static Feed.Answer ok(String body) {
        return new Feed.Answer(200, Map.of(), body);
    }

    private static Feed.Answer error(int status, String says) {
        return new Feed.Answer(status, Map.of(), "{\"error\":" + JsonText.quoted(says) + "}");
    }

    /** How often anything was stored. */
    public int stored() {
        return stored.get();
    }

    /** Changes a field as somebody of the client's would. @param kind "pages", "listings" or "videos" */
    public void changeByHand(String kind, String address, String field, String text) {
        ContentItem item = find(kind, address);
        if (!item.store(item.version(), Map.of(field, text), today.get()))
            throw new IllegalStateException("somebody was faster");
    }

    /** What it has of a field. */
    public String text(String kind, String address, String field) {
        return find(kind, address).field(field);
    }

    private ContentItem find(String kind, String address) {
        return kinds.get(kind).values().stream()
                .filter(item -> item.address.equals(address))
                .findFirst()
                .orElseThrow();
    }

    ContentItem.Version first(String path) {
        return pages.get(path).first();
    }

    /** What a page said at the end of a day, where it was changed by then. */
    Optional<ContentItem.Version> changed(String path, LocalDate day) {
        ContentItem page = pages.get(path);
        return page == null ? Optional.empty() : page.changed(day);
    }

    boolean isChanged(SitePage page) {
        return pages.get(page.path).isChanged();
    }

    SitePage on(SitePage page) {
        return pages.get(page.path).on(page);
    }

    /** The lines of a feed as they are now. */
    List<String> on(String kind, List<String> lines, String idName) {
        return lines.stream()
                .map(line ->
                        kinds.get(kind).get(JsonText.texts(line).get(idName)).on(line))
                .toList();
    }
}
