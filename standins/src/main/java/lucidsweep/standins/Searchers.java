package lucidsweep.standins;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/**
 * What the made-up searchers make of what they are shown, on the log scale: how much less they click a result with a fault, and
 * how much higher the search engine puts a page whose title has the words of the query.
 *
 * @param appeal by field and fault as {@link Planted} names them: "title too-long"
 * @param words for a title with all words of a query, against one without any; below 0 is higher up
 */
public record Searchers(Map<String, Double> appeal, double words) {

    /** They do not mind any fault. */
    public static final Searchers INDIFFERENT = new Searchers(Map.of(), 0);

    /** Those of the demo. */
    public static final Searchers OF_DEMO = new Searchers(
            Map.ofEntries(
                    Map.entry("title too-long", -0.25),
                    Map.entry("title duplicate", -0.3),
                    Map.entry("title generic", -0.4),
                    Map.entry("title missing", -0.5),
                    Map.entry("title empty", -0.5),
                    Map.entry("title all-capitals", -0.1),
                    Map.entry("title outdated-year", -0.35),
                    Map.entry("title template-text", -0.4),
                    Map.entry("description missing", -0.18),
                    Map.entry("description too-short", -0.12),
                    Map.entry("description duplicate", -0.1)),
            -0.35);

    /** How much less or more the result of a page is clicked than one without faults. */
    double appealOf(DemoSite site, String path) {
        return appealOf(site, path, "title") + appealOf(site, path, "description");
    }

    /** The same for one field. */
    double appealOf(DemoSite site, String path, String field) {
        return site.planted().stream()
                .filter(planted ->
                        planted.path().equals(path) && planted.field().equals(field))
                .mapToDouble(planted -> appeal.getOrDefault(planted.field() + " " + planted.finding(), 0.0))
                .sum();
    }

    /** How many times as far down a page stands than if its title had all words of a query. */
    double lower(SitePage page, String query) {
        return lower(page.titles.isEmpty() ? "" : page.titles.get(0), query);
    }

    double lower(String title, String query) {
        List<String> words = Arrays.asList(title.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"));
        String[] wanted = query.split(" ");
        long there = Arrays.stream(wanted).filter(words::contains).count();
        return Math.exp(-this.words * (1 - there / (double) wanted.length));
    }
}
