package lucidsweep.core.keyword;

import java.net.URI;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lucidsweep.core.page.PageAddress;

/**
 * What a property calls itself where nobody says so: what most titles end in behind a separator, the name of its host, and
 * what nearly everybody who is shown its home page at the very top clicks. A name that many keywords hold is what the
 * property sells, not what it is called.
 */
public final class GuessedBrand {

    private static final double MAX_KEYWORDS = 0.1;
    private static final double MIN_TITLES = 0.5;
    private static final int MIN_LETTERS = 5;
    private static final int MIN_COUNT = 3;
    private static final double TOP = 1.9;
    private static final double NEARLY_ALL = 0.45;
    private static final int MIN_CLICKS = 50;

    private final Map<String, Integer> endings = new HashMap<>();
    private final Map<String, Integer> hosts = new HashMap<>();
    private final Map<String, long[]> atTheTop = new HashMap<>();
    private int titles;

    /** Takes in an item. */
    public void add(String address, String title) {
        PageAddress.of(address).map(URI::getHost).ifPresent(host -> hosts.merge(host, 1, Integer::sum));
        if (title.isBlank()) return;
        titles++;
        String[] parts = title.split("\\s[|–—·-]\\s");
        if (parts.length > 1) endings.merge(parts[parts.length - 1].strip(), 1, Integer::sum);
    }

    /** Takes in a row of demand. */
    public void addDemand(String address, String query, long clicks, long impressions, double position) {
        boolean home = PageAddress.of(address)
                .filter(uri -> uri.getPath().length() <= 1)
                .isPresent();
        if (!home || position < 1 || position > TOP) return;
        long[] sums = atTheTop.computeIfAbsent(query, any -> new long[2]);
        sums[0] += clicks;
        sums[1] += impressions;
    }

    /** What most titles end in; "" where there is no such thing. */
    public String titleEnding() {
        return mostFrequent(endings)
                .filter(each -> endings.get(each) >= Math.max(MIN_COUNT, MIN_TITLES * titles))
                .orElse("");
    }

    /** All names that it goes by. */
    public List<String> names(List<String> keywords, Words language) {
        List<String> names = new ArrayList<>();
        if (!titleEnding().isEmpty()) names.add(titleEnding());
        mostFrequent(hosts)
                .map(GuessedBrand::label)
                .filter(label -> label.length() >= MIN_LETTERS)
                .ifPresent(names::add);
        atTheTop.entrySet().stream()
                .filter(each -> each.getValue()[0] >= Math.max(MIN_CLICKS, NEARLY_ALL * each.getValue()[1]))
                .sorted(Comparator.comparingLong(each -> -each.getValue()[0]))
                .forEach(each -> names.add(each.getKey()));
        names.removeIf(name -> {
            BrandNames one = new BrandNames(List.of(name), language);
            long held = keywords.stream().filter(one::isIn).count();
            return held > 1 && held > MAX_KEYWORDS * keywords.size();
        });
        return names;
    }

    private static Optional<String> mostFrequent(Map<String, Integer> counts) {
        return counts.entrySet().stream()
                .max(Map.Entry.<String, Integer>comparingByValue().thenComparing(Map.Entry.comparingByKey()))
                .map(Map.Entry::getKey);
    }

    /** The longest part of a host's name, "tarrin-bay" of "www.tarrin-bay.example". */
    private static String label(String host) {
        String longest = "";
        String[] labels = host.split("\\.");
        for (int i = 0; i < labels.length - 1; i++) if (labels[i].length() > longest.length()) longest = labels[i];
        return longest;
    }
}
