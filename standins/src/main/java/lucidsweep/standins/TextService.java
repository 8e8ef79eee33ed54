package lucidsweep.standins;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A text-generation service in small: a list of messages in, a text and counts of tokens out. What it writes is put together
 * from the material of the request, the same for the same request. The model {@code steady} writes well; {@code troubled}
 * asks for rests, fails, answers no JSON, writes too much, makes things up and does as the page says, each now and then and
 * always for the same requests.
 */
public final class TextService {

    /** What it is asked with. */
    public static final String KEY = "kayak-and-quill";

    private static final Pattern CONTENT = Pattern.compile("\"content\":" + JsonText.STRING);
    private static final Pattern MODEL = Pattern.compile("\"model\":\"([^\"]*)\"");
    private static final Pattern FENCE = Pattern.compile("=== [0-9a-f]+ ===");
    private static final Pattern MOST_CHARS = Pattern.compile("At most (\\d+) characters");
    private static final Pattern MOST_TAGS =
            Pattern.compile("Up to (\\d+) tags.*of at most (\\d+) characters, (\\d+) in all");
    private static final Pattern ORDER =
            Pattern.compile("(?i)ignore (?:all|the|your) [a-z ]*instructions[^.]*?write [“\"']?([^”\"'.]+)");

    /** Of twenty requests of a troubled service, so many each are answered with a fault of a kind. */
    private static final int OF = 20;

    private final Map<String, Feed.Answer> marked = new ConcurrentHashMap<>();
    private final Map<Integer, AtomicInteger> askedBefore = new ConcurrentHashMap<>();
    private final AtomicInteger paid = new AtomicInteger();

    /**
     * Answers a request.
     *
     * @param key as it came with it; null for none
     * @param mark that tells a request from others, so that the same one is charged once; null for none
     */
    public Feed.Answer of(String body, String key, String mark) {
        if (!("Bearer " + KEY).equals(key)) return new Feed.Answer(401, Map.of(), "{\"error\":\"who are you?\"}");
        if (mark != null && marked.containsKey(mark)) return marked.get(mark);
        List<String> messages = contents(body);
        Matcher model = MODEL.matcher(body);
        boolean troubled = model.find() && model.group(1).equals("troubled");
        // What is asked again with what was wrong is answered well, but for one in three.
        boolean again = messages.size() > 2;
        int hash = messages.size() < 2 ? 0 : Math.abs(messages.get(1).hashCode() % 1_000_000);
        int kind = again ? 2 + hash / OF % 6 : hash % OF;
        if (troubled && !again) {
            int before = askedBefore
                    .computeIfAbsent(body.hashCode(), any -> new AtomicInteger())
                    .getAndIncrement();
            if (kind == 0 && before == 0)
                return new Feed.Answer(429, Map.of("Retry-After", "1"), "{\"error\":\"a moment\"}");
            if (kind == 1 && before == 0) return new Feed.Answer(500, Map.of(), "{\"error\":\"try again\"}");
        }
        boolean faulty = troubled && (again ? hash % 3 == 0 : kind < 8);
        Feed.Answer answer = answered(messages, faulty ? written(messages, kind) : written(messages, OF));
        paid.incrementAndGet();
        if (mark != null) marked.put(mark, answer);
        return answer;
    }

    /** How many answers were charged. */
    public int paid() {
        return paid.get();
    }

    private static Feed.Answer answered(List<String> messages, String content) {
        int in = messages.stream().mapToInt(String::length).sum() / 4;
        String body = "{\"choices\":[{\"message\":{\"role\":\"assistant\",\"content\":" + JsonText.quoted(content)
                + "}}],\"usage\":{\"prompt_tokens\":" + in + ",\"completion_tokens\":" + (content.length() / 4 + 1)
                + "}}";
        return new Feed.Answer(200, Map.of(), body);
    }

    /** @param kind of fault, from 2 to 7; any other for none */
    private static String written(List<String> messages, int kind) {
        if (messages.size() < 2) return "{\"text\": \"ready\"}";
        String asked = messages.get(1);
        Map<String, String> material = material(asked);
        String text = text(asked, material);
        return switch (kind) {
            case 2 -> "Sure! Here is what you asked for: " + text;
            case 3 ->
                json(text
                        + ", and so much more that we would love to tell you about on this page and on others. "
                                .repeat(8));
            case 4 -> json(text + ", from £9");
            case 5 -> json("Award-winning: " + text);
            case 6 -> {
                Matcher order = ORDER.matcher(asked);
                yield json(order.find() ? order.group(1) : text + " at www.quill.example");
            }
            case 7 -> "{\"text\": \"" + text;
            default -> json(text);
        };
    }

    private static String text(String asked, Map<String, String> material) {
        Matcher tags = MOST_TAGS.matcher(asked);
        if (tags.find()) {
            return tags(
                    material,
                    Integer.parseInt(tags.group(1)),
                    Integer.parseInt(tags.group(2)),
                    Integer.parseInt(tags.group(3)));
        }
        if (asked.contains("images without alt text, in their order")) return alts(asked, material);
        Matcher most = MOST_CHARS.matcher(asked);
        int chars = most.find() ? Integer.parseInt(most.group(1)) : 300;
        String wanted = asked.substring(0, asked.indexOf('\n') < 0 ? asked.length() : asked.indexOf('\n'));
        String small = wanted.toLowerCase(Locale.ROOT);
        if (small.contains("intent")) return intent(material);
        if (small.contains("outline")) return outline(material);
        if (small.contains("words")) return String.join(", ", some(material, 8));
        return small.contains("description") || chars > 90 ? description(material, chars) : title(material, chars);
    }

    /** The keyword, with the capitals that names in it have on the page. */
    private static String keyword(Map<String, String> material) {
        String written = String.join(" ", material.values());
        List<String> words = new ArrayList<>();
        for (String word : material.getOrDefault("keyword", "").split(" ")) {
            String name = capital(word);
            boolean isName = written.contains(" " + name)
                    && !material.getOrDefault("copy", "").contains(" " + word);
            words.add(isName ? name : word);
        }
        return capital(String.join(" ", words));
    }

    private static String title(Map<String, String> material, int chars) {
        String keyword = keyword(material);
        String heading = first(material, "H1", "title", "copy", "description", "tags");
        List<String> ways = new ArrayList<>();
        if (!keyword.isEmpty() && !heading.isEmpty() && !heading.equalsIgnoreCase(keyword))
            ways.add(keyword + ": " + heading);
        if (!keyword.isEmpty()) ways.add(keyword);
        ways.add(heading);
        for (String way : ways) if (!way.isEmpty() && way.length() <= chars) return way;
        return cut(ways.get(0), chars);
    }

    private static String description(Map<String, String> material, int chars) {
        String keyword = keyword(material);
        String copy =
                material.getOrDefault("copy", material.getOrDefault("description", material.getOrDefault("H1", "")));
        StringBuilder text = new StringBuilder(keyword.isEmpty() ? "" : keyword + ": ");
        for (String sentence : copy.split("(?<=[.!?])\\s+")) {
            if (text.length() + sentence.length() + 1 > chars) break;
            text.append(sentence).append(' ');
        }
        String whole = text.toString().strip();
        return whole.isEmpty() || whole.endsWith(":") ? cut((whole + " " + copy).strip(), chars - 1) + "." : whole;
    }

    /** What there is of some labels, the first first. */
    private static String first(Map<String, String> material, String... labels) {
        for (String label : labels) if (material.containsKey(label)) return material.get(label);
        return "A page without a text";
    }

    private static String tags(Map<String, String> material, int max, int each, int all) {
        List<String> tags = new ArrayList<>();
        int length = 0;
        List<String> offered =
                new ArrayList<>(List.of(material.getOrDefault("tags", "").split(",\\s*")));
        offered.add(0, material.getOrDefault("keyword", ""));
        offered.addAll(some(material, 20));
        for (String tag : offered) {
            String small = tag.strip().toLowerCase(Locale.ROOT);
            if (small.isEmpty() || small.length() > each || tags.contains(small) || tags.size() == max) continue;
            if (length + small.length() + 1 > all) break;
            tags.add(small);
            length += small.length() + 1;
        }
        return String.join(", ", tags);
    }

    /** What the name of each file says, and what the page is about. */
    private static String alts(String asked, Map<String, String> material) {
        String about = first(material, "H1", "title");
        String listed = FENCE.split(asked)[1].split("images without alt text: ")[1];
        List<String> alts = new ArrayList<>();
        for (String address : listed.split("\n")) {
            if (address.isBlank() || address.contains(": ")) break;
            String file = address.substring(address.lastIndexOf('/') + 1).replaceFirst("\\.\\w+$", "");
            String words = file.replaceAll("[^\\p{L}]+", " ").strip();
            alts.add((alts.size() + 1) + ". " + capital(words.isEmpty() ? about : words + ", " + about));
        }
        return String.join("\n", alts);
    }

    private static String intent(Map<String, String> material) {
        String known = material.getOrDefault("intent", "");
        return known.isEmpty() ? "informational" : known;
    }

    private static String outline(Map<String, String> material) {
        String copy = first(material, "copy", "description", "H1", "title", "tags");
        StringBuilder outline = new StringBuilder();
        for (String sentence : copy.split("(?<=[.!?])\\s+")) {
            if (outline.length() > 240) break;
            outline.append("- ").append(cut(sentence, 60)).append('\n');
        }
        return outline.toString().strip();
    }

    /** Longer words of the material, each once. */
    private static List<String> some(Map<String, String> material, int most) {
        Set<String> words = new TreeSet<>();
        for (String word :
                (material.getOrDefault("title", "") + " " + material.getOrDefault("copy", "")).split("[^\\p{L}]+")) {
            if (word.length() > 4) words.add(word.toLowerCase(Locale.ROOT));
        }
        return words.stream().limit(most).toList();
    }

    private static String cut(String text, int chars) {
        if (text.length() <= chars) return text;
        int space = text.lastIndexOf(' ', chars);
        return text.substring(0, space < 0 ? chars : space).replaceAll("[,;:–\\s-]+$", "");
    }

    private static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** What stands between the fences, by its labels. */
    private static Map<String, String> material(String asked) {
        Map<String, String> material = new LinkedHashMap<>();
        String[] parts = FENCE.split(asked);
        if (parts.length < 2) return material;
        for (String line : parts[1].split("\n")) {
            int colon = line.indexOf(": ");
            if (colon > 0)
                material.putIfAbsent(
                        line.substring(0, colon), line.substring(colon + 2).strip());
        }
        return material;
    }

    private static List<String> contents(String body) {
        List<String> contents = new ArrayList<>();
        Matcher content = CONTENT.matcher(body);
        while (content.find()) contents.add(JsonText.plain(content.group(1)));
        return contents;
    }

    private static String json(String text) {
        return "{\"text\": " + JsonText.quoted(text) + "}";
    }
}
