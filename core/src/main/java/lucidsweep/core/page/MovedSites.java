package lucidsweep.core.page;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Sites whose pages stand under the same paths at another scheme or host now, so that what was reported of their old addresses
 * is of the pages of today. {@code http://old.example/tours/} is {@code https://new.example/tours/}.
 */
public final class MovedSites {

    public static final MovedSites NONE = new MovedSites(Map.of());

    private final Map<String, String> origins;

    private MovedSites(Map<String, String> origins) {
        this.origins = origins;
    }

    /** The sites that moved, and where they are now: scheme and host of each. */
    public Map<String, String> origins() {
        return origins;
    }

    public boolean isEmpty() {
        return origins.isEmpty();
    }

    /** The address of today of what was reported of an address; the same where its site did not move. */
    public String now(String address) {
        if (origins.isEmpty()) return address;
        String normal = PageAddress.text(address).orElse(address);
        String old = origin(normal);
        String now = origins.get(old);
        return now == null ? address : now + normal.substring(old.length());
    }

    /** "https://bay.example:8080" of "https://bay.example:8080/tours/"; "" of what is no address. */
    private static String origin(String address) {
        int start = address.indexOf("://");
        if (start < 0) return "";
        int end = address.indexOf('/', start + 3);
        return end < 0 ? address : address.substring(0, end);
    }

    /**
     * Looks for sites that moved: none of their addresses is an item, at least half of their paths are paths of items on one
     * other site, and hardly anybody was shown them lately. Two language versions side by side are no move.
     */
    public static final class Finder {

        private static final int FEWEST = 10;
        private static final double SAME_PATHS = 0.5;
        private static final double STILL_SHOWN = 0.1;

        private final Map<String, Site> sites = new TreeMap<>();
        private final Map<String, Double> recentOf = new HashMap<>();

        private static final class Site {
            private final Set<String> paths = new HashSet<>();
            private final Map<String, Integer> found = new TreeMap<>();
            private boolean hasItems;
        }

        /**
         * Takes what is reported of an address.
         *
         * @param address in its normal form
         * @param recent its impressions in the last weeks that are reported
         */
        public void reported(String address, boolean isItem, double recent) {
            String origin = origin(address);
            if (origin.isEmpty()) return;
            Site site = sites.computeIfAbsent(origin, any -> new Site());
            site.hasItems |= isItem;
            site.paths.add(address.substring(origin.length()));
            recentOf.merge(origin, recent, Double::sum);
        }

        /** Whether any site can have moved, once all that is reported was taken: only then items need to be looked at. */
        public boolean isAny() {
            sites.values().removeIf(site -> site.hasItems || site.paths.size() < FEWEST);
            return !sites.isEmpty();
        }

        /** Takes the address of an item, in its normal form. */
        public void item(String address) {
            String origin = origin(address);
            if (origin.isEmpty() || sites.containsKey(origin)) return;
            String path = address.substring(origin.length());
            for (Site site : sites.values()) if (site.paths.contains(path)) site.found.merge(origin, 1, Integer::sum);
        }

        public MovedSites found() {
            Map<String, String> moved = new TreeMap<>();
            sites.forEach((origin, site) -> site.found.entrySet().stream()
                    .max(Comparator.comparingInt(Map.Entry::getValue))
                    .filter(now -> now.getValue() >= SAME_PATHS * site.paths.size())
                    .filter(now -> !recentOf.containsKey(now.getKey())
                            || recentOf.get(origin) <= STILL_SHOWN * recentOf.get(now.getKey()))
                    .ifPresent(now -> moved.put(origin, now.getKey())));
            return moved.isEmpty() ? NONE : new MovedSites(moved);
        }
    }
}
