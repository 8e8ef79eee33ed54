package lucidsweep.core.keyword;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;

/**
 * The groups of a property (sections, categories, playlists) against its keywords: what each covers by its name and by its
 * members, which are thin, and which topics have none.
 *
 * <p>A group covers a keyword by its name where every word of its name stands in the keyword, and by its members where the
 * keyword's item is one of them. A group is thin with fewer than three members, or with less than a quarter of what the
 * middle one has. A topic has a group where a group covers the topic's strongest keyword by its name, or where most of
 * its keywords with an item have it in one group that holds few others.
 */
public final class GroupSurvey {

    private static final int FEWEST_MEMBERS = 3;
    private static final double THIN = 0.25;
    private static final double MAX = 0.5;
    private static final int MAX_SHOWN = 5;

    private final Words language;
    private final Map<String, Integer> members = new TreeMap<>();
    private final Map<Long, String> groupOf = new HashMap<>();
    private final List<Keyword> keywords = new ArrayList<>();
    private final Map<String, List<Keyword>> holding = new HashMap<>();

    private record Keyword(String phrase, long volume, String topic, String group, Set<String> stems) {}

    public GroupSurvey(Words language) {
        this.language = language;
    }

    /**
     * A group.
     *
     * @param items its members
     * @param byName keywords that its name covers, the most searched first, a few of them
     * @param byNameCount how many there are
     * @param byNameVolume their searches a month
     * @param keywords how many keywords its members serve
     * @param volume their searches a month
     * @param topics those that most of them are of, a few
     * @param thin why it is thin; "" where it is not
     */
    public record Group(
            String name,
            int items,
            List<String> byName,
            int byNameCount,
            long byNameVolume,
            int keywords,
            long volume,
            List<String> topics,
            String thin) {}

    /**
     * A topic without a group.
     *
     * @param volume searches a month
     * @param served how many of its keywords have an item
     * @param groups the groups that these items are in, the one with most first
     */
    public record Ungrouped(String topic, int keywords, long volume, int served, List<String> groups) {}

    /** Adds an item with its group; "" for none. */
    public void item(long id, String group) {
        groupOf.put(id, group);
        if (!group.isEmpty()) members.merge(group, 1, Integer::sum);
    }

    /**
     * Adds a keyword, after the items.
     *
     * @param volume 0 where not known
     * @param item its home; null where it has none
     */
    public void keyword(String phrase, long volume, String topic, Long item) {
        String group = item == null ? "" : groupOf.getOrDefault(item, "");
        Keyword keyword = new Keyword(phrase, volume, topic, group, stems(phrase));
        keywords.add(keyword);
        for (String stem : keyword.stems)
            holding.computeIfAbsent(stem, any -> new ArrayList<>()).add(keyword);
    }

    private Set<String> stems(String text) {
        return Phrase.of(text, language).words().stream().map(Word::stem).collect(Collectors.toSet());
    }

    /** All groups, by name. */
    public List<Group> groups() {
        int middle = members.isEmpty()
                ? 0
                : members.values().stream().sorted().toList().get(members.size() / 2);
        Map<String, List<Keyword>> byMembers =
                keywords.stream().collect(Collectors.groupingBy(keyword -> keyword.group));
        List<Group> groups = new ArrayList<>();
        members.forEach((name, items) -> {
            List<Keyword> named = byName(name);
            List<Keyword> own = byMembers.getOrDefault(name, List.of());
            groups.add(new Group(
                    name,
                    items,
                    named.stream().limit(MAX_SHOWN).map(Keyword::phrase).toList(),
                    named.size(),
                    named.stream().mapToLong(Keyword::volume).sum(),
                    own.size(),
                    own.stream().mapToLong(Keyword::volume).sum(),
                    topics(own),
                    thin(items, middle)));
        });
        return groups;
    }

    private List<Keyword> byName(String group) {
        Set<String> stems = stems(group);
        if (stems.isEmpty()) return List.of();
        return holding.getOrDefault(stems.iterator().next(), List.of()).stream()
                .filter(keyword -> keyword.stems.containsAll(stems))
                .sorted(Comparator.comparingLong((Keyword keyword) -> -keyword.volume)
                        .thenComparing(Keyword::phrase))
                .toList();
    }

    private static List<String> topics(List<Keyword> own) {
        Map<String, Long> volumes = new TreeMap<>();
        own.forEach(keyword -> volumes.merge(keyword.topic, keyword.volume, Long::sum));
        return volumes.entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed())
                .limit(MAX_SHOWN)
                .map(Map.Entry::getKey)
                .toList();
    }

    private static String thin(int items, int middle) {
        if (items < FEWEST_MEMBERS) return items == 1 ? "a single item" : "only " + items + " items";
        return items < THIN * middle ? items + " items, where the middle group has " + middle : "";
    }

    /** The topics that no group is made for, the most searched first; those of a single keyword are left out. */
    public List<Ungrouped> ungrouped() {
        Map<String, List<Keyword>> topics = keywords.stream()
                .collect(Collectors.groupingBy(keyword -> keyword.topic, LinkedHashMap::new, Collectors.toList()));
        Map<String, List<Set<String>>> names = members.keySet().stream()
                .map(this::stems)
                .filter(stems -> !stems.isEmpty())
                .collect(Collectors.groupingBy(stems -> stems.iterator().next()));
        Map<String, Long> inGroup =
                keywords.stream().collect(Collectors.groupingBy(keyword -> keyword.group, Collectors.counting()));
        List<Ungrouped> found = new ArrayList<>();
        topics.forEach((topic, own) -> {
            if (own.size() < 2 || isNamed(own, names) || hasOwnGroup(own, inGroup)) return;
            found.add(new Ungrouped(
                    topic,
                    own.size(),
                    own.stream().mapToLong(Keyword::volume).sum(),
                    (int) own.stream()
                            .filter(keyword -> !keyword.group.isEmpty())
                            .count(),
                    groups(own)));
        });
        found.sort(Comparator.comparingLong((Ungrouped topic) -> -topic.volume).thenComparing(Ungrouped::topic));
        return found;
    }

    private static boolean isNamed(List<Keyword> own, Map<String, List<Set<String>>> names) {
        Keyword strongest = own.stream()
                .max(Comparator.comparingLong(Keyword::volume).thenComparing(Keyword::phrase))
                .orElseThrow();
        return strongest.stems.stream()
                .flatMap(stem -> names.getOrDefault(stem, List.of()).stream())
                .anyMatch(strongest.stems::containsAll);
    }

    /** Whether most of a topic's served keywords are in one group, and they are most of that group's. */
    private static boolean hasOwnGroup(List<Keyword> own, Map<String, Long> inGroup) {
        Map<String, Long> counts = own.stream()
                .filter(keyword -> !keyword.group.isEmpty())
                .collect(Collectors.groupingBy(keyword -> keyword.group, Collectors.counting()));
        long served = counts.values().stream().mapToLong(count -> count).sum();
        return counts.entrySet().stream()
                .anyMatch(each -> each.getValue() > MAX * served && each.getValue() > MAX * inGroup.get(each.getKey()));
    }

    private static List<String> groups(List<Keyword> own) {
        Map<String, Long> counts = new TreeMap<>();
        for (Keyword keyword : own) if (!keyword.group.isEmpty()) counts.merge(keyword.group, 1L, Long::sum);
        return counts.entrySet().stream()
                .sorted(Map.Entry.<String, Long>comparingByValue().reversed())
                .limit(MAX_SHOWN)
                .map(Map.Entry::getKey)
                .toList();
    }
}
