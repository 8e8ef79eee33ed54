package lucidsweep.core.page;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * What the content of a robots element asks of search engines.
 *
 * <pre>{@code RobotsDirectives.of("noindex, nofollow").with("index").text()   // "index, nofollow" }</pre>
 */
record RobotsDirectives(List<String> all) {

    static RobotsDirectives of(String content) {
        List<String> all = new ArrayList<>();
        for (String each : content.strip().split("\\s*[,;]\\s*|\\s+")) if (!each.isEmpty()) all.add(each);
        return new RobotsDirectives(all);
    }

    boolean isNoindex() {
        return has("noindex") || has("none");
    }

    private boolean has(String directive) {
        return all.stream().anyMatch(each -> each.equalsIgnoreCase(directive));
    }

    /** The same with the page in the index or out of it; whatever else is asked stays. */
    RobotsDirectives with(String indexing) {
        List<String> changed = new ArrayList<>(List.of(indexing));
        for (String each : all) {
            switch (each.toLowerCase(Locale.ROOT)) {
                case "index", "noindex", "all" -> {}
                case "none" -> changed.add("nofollow");
                default -> changed.add(each);
            }
        }
        return new RobotsDirectives(changed);
    }

    String text() {
        return String.join(", ", all);
    }
}
