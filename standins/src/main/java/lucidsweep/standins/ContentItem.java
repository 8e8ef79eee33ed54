package lucidsweep.standins;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A page, listing or video as the content system has it. */
final class ContentItem {

    final String id;
    final String address;
    private final Map<String, String> fields;
    private final List<Version> versions = new ArrayList<>();
    private final AtomicInteger turns;
    private int version = 1;
    private boolean changed;

    /** Title and description as they were from a day on. */
    record Version(LocalDate from, String title, String description) {}

    ContentItem(String id, String address, Map<String, String> fields) {
        this.id = id;
        this.address = address;
        this.fields = new LinkedHashMap<>(fields);
        turns = new AtomicInteger(Math.floorMod(id.hashCode(), 1_000));
        versions.add(new Version(LocalDate.MIN, field("title"), field("description")));
    }

    /** A number that grows with every request for the item, from a start of its own. */
    int turn() {
        return turns.incrementAndGet();
    }

    Version first() {
        return versions.get(0);
    }

    /** What it said at the end of a day, where it was changed by then. */
    synchronized Optional<Version> changed(LocalDate day) {
        return versions.stream().skip(1).filter(each -> !each.from.isAfter(day)).reduce((one, later) -> later);
    }

    static ContentItem ofPage(SitePage page, String id) {
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("title", page.titles.isEmpty() ? "" : page.titles.get(0));
        fields.put("description", page.descriptions.isEmpty() ? "" : page.descriptions.get(0));
        fields.put("h1", page.h1s.isEmpty() ? "" : page.h1s.get(0));
        fields.put("indexing", page.robots.contains("noindex") ? "noindex" : "index");
        return new ContentItem(id, page.path, fields);
    }

    /** @param json of a listing or a video, as its feed has it */
    static ContentItem ofFeed(String json, String idName) {
        Map<String, String> all = JsonText.texts(json);
        Map<String, String> fields = new LinkedHashMap<>();
        fields.put("title", all.get("title"));
        fields.put("description", all.get("description"));
        int tags = json.indexOf("\"tags\":[");
        fields.put("tags", String.join(", ", JsonText.list(json.substring(tags + 7, json.indexOf(']', tags)))));
        return new ContentItem(all.get(idName), all.get(idName), fields);
    }

    synchronized int version() {
        return version;
    }

    synchronized boolean isChanged() {
        return changed;
    }

    synchronized String field(String name) {
        return fields.get(name);
    }

    boolean has(String name) {
        return fields.containsKey(name);
    }

    /** Stores fields where nobody was faster; says whether it did. */
    synchronized boolean store(int from, Map<String, String> texts, LocalDate today) {
        if (from != version) return false;
        fields.putAll(texts);
        versions.add(new Version(today, field("title"), field("description")));
        version++;
        changed = true;
        return true;
    }

    synchronized String json() {
        StringBuilder json = new StringBuilder("{\"id\":%s,\"address\":%s,\"version\":%d,\"fields\":{"
                .formatted(JsonText.quoted(id), JsonText.quoted(address), version));
        String comma = "";
        for (Map.Entry<String, String> field : fields.entrySet()) {
            json.append(comma)
                    .append(JsonText.quoted(field.getKey()))
                    .append(':')
                    .append(JsonText.quoted(field.getValue()));
            comma = ",";
        }
        return json.append("}}").toString();
    }

    /** A page as it is served, with what was stored for it. */
    SitePage on(SitePage page) {
        if (!isChanged()) return page;
        SitePage changed = page.copy();
        setFirst(changed.titles, field("title"));
        setFirst(changed.descriptions, field("description"));
        setFirst(changed.h1s, field("h1"));
        boolean noindex = field("indexing").equals("noindex");
        if (noindex != page.robots.contains("noindex")) changed.robots = noindex ? "noindex" : "";
        return changed;
    }

    private static void setFirst(List<String> texts, String text) {
        if (texts.isEmpty()) {
            if (!text.isEmpty()) texts.add(text);
        } else texts.set(0, text);
    }

    /** The line of a feed, with what was stored for it. */
    String on(String json) {
        if (!isChanged()) return json;
        String tags = String.join(
                ",",
                Arrays.stream(field("tags").split(",\\s*"))
                        .filter(tag -> !tag.isBlank())
                        .map(JsonText::quoted)
                        .toList());
        return replaced(
                replaced(
                        replaced(json, "\"title\":" + JsonText.STRING, "\"title\":" + JsonText.quoted(field("title"))),
                        "\"description\":" + JsonText.STRING,
                        "\"description\":" + JsonText.quoted(field("description"))),
                "\"tags\":\\[[^\\]]*\\]",
                "\"tags\":[" + tags + "]");
    }

    private static String replaced(String json, String pattern, String with) {
        return Pattern.compile(pattern).matcher(json).replaceFirst(Matcher.quoteReplacement(with));
    }
}
