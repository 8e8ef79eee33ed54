package lucidsweep.standins;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;

/**
 * Who searches for what on the invented coast, and where the demo website stands for it. Some of it is planted so that what
 * is worked out can be held against what is so.
 *
 * @param interests what pages are shown for
 * @param truths what was planted
 */
public record SearchMarket(List<Interest> interests, List<Truth> truths) {

    /** Searches a month, to a twelfth of the year each; the first is January. */
    private static final Map<String, double[]> SEASONS = Map.of(
            "tours", new double[] {.3, .3, .5, .9, 1.3, 1.7, 2.1, 2, 1.2, .7, .4, .3},
            "hire", new double[] {.2, .2, .5, .9, 1.4, 1.8, 2.2, 2.1, 1.1, .6, .4, .3},
            "workshop", new double[] {1.2, 1.2, 1, .9, .8, .7, .6, .6, .9, 1.1, 1.4, 1.7});

    private static final List<String> RISING_QUERIES =
            List.of("sunrise %s", "sea caves %s", "seals %s", "sunset %s", "birds %s", "island trip %s");

    /** Searches a month for the rising queries, in their order. */
    private static final int[] RISING_SEARCHES = {
        2_410, 2_870, 2_590, 3_120, 2_480, 2_760, 3_340, 2_530, 2_940, 2_640, 3_060, 2_720
    };

    static final int RISING = RISING_SEARCHES.length;

    private static final double[] EVEN = {1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1};

    /** How much is searched in a month for what a section is about; 1 on average. */
    static double season(String section, int month) {
        return SEASONS.getOrDefault(section, EVEN)[month - 1];
    }

    /**
     * A page that is shown for a query.
     *
     * @param monthly searches a month, over the year
     * @param before, now its position until half a year ago and today; between the two it moves evenly
     * @param appeal how much less or more it is clicked than a result without faults, on the log scale
     * @param lower how many times as far down it stands than with a title that has all words of the query
     */
    public record Interest(
            String path,
            String query,
            double monthly,
            double before,
            double now,
            boolean brand,
            double appeal,
            double lower) {

        Interest(String path, String query, double monthly, double before, double now, boolean brand) {
            this(path, query, monthly, before, now, brand, 0, 1);
        }

        private Interest reacting(double itsAppeal, double timesLower) {
            return new Interest(
                    path, query, monthly, before * timesLower, now * timesLower, brand, itsAppeal, timesLower);
        }

        private static final int MOVING_WEEKS = 26;

        /** The position so many weeks ago. */
        double position(int weeksAgo) {
            return now + (before - now) * Math.min(1, weeksAgo / (double) MOVING_WEEKS);
        }

        double season(int month) {
            return SearchMarket.season(SearchWorld.section(path), month);
        }
    }

    /** What was planted of a page and a query: "home", "better", "too-early", "served" or "brand". */
    public record Truth(String kind, String path, String query) {}

    /** A market whose searchers do not mind any fault. */
    public static SearchMarket of(DemoSite site, long seed) {
        return of(site, seed, Searchers.INDIFFERENT);
    }

    public static SearchMarket of(DemoSite site, long seed, Searchers searchers) {
        SearchMarket market = new SearchMarket(new ArrayList<>(), new ArrayList<>());
        Random random = new Random(seed);
        market.homes(random);
        market.rising();
        market.young();
        market.brand();
        market.others(site, random);
        market.interests.replaceAll(interest -> market.react(interest, site, searchers));
        return market;
    }

    /** Where a page rises for something else than its title says, that is planted and stays. */
    private Interest react(Interest interest, DemoSite site, Searchers searchers) {
        boolean planted = truths.stream()
                .anyMatch(truth -> !truth.kind.equals("home")
                        && truth.path.equals(interest.path)
                        && truth.query.equals(interest.query));
        double lower = planted ? 1 : searchers.lower(site.pages().get(interest.path), interest.query);
        return interest.reacting(interest.brand ? 0 : searchers.appealOf(site, interest.path), lower);
    }

    private void add(String kind, String path, String query, double monthly, double before, double now) {
        interests.add(new Interest(path, query, monthly, before, now, kind.equals("brand")));
        truths.add(new Truth(kind, path, query));
    }

    /** Every tour and every hire page is shown for what it is about; now and then a neighbour is, too, but lower down. */
    private void homes(Random random) {
        for (Place place : Place.ALL) {
            String where = place.name().toLowerCase(Locale.ROOT);
            for (int i = 0; i < Sections.TOURS.size(); i++) {
                String query = Sections.TOURS.get(i).toLowerCase(Locale.ROOT) + " " + where;
                double position = 2.2 + random.nextDouble() * 7;
                add("home", tour(place, i), query, 60 + random.nextInt(200), position, position);
                if (random.nextInt(6) == 0) {
                    add(
                            "served",
                            tour(place, (i + 1) % Sections.TOURS.size()),
                            query,
                            60 + random.nextInt(200),
                            position + 11,
                            position + 8);
                }
            }
        }
        for (int i = 0; i < 4; i++) {
            Place place = Place.ALL.get(i * 3);
            for (String craft : Sections.CRAFT) {
                String query = craft.toLowerCase(Locale.ROOT).replace("’", "") + " hire "
                        + place.name().toLowerCase(Locale.ROOT);
                double position = 1.6 + random.nextDouble() * 8;
                add(
                        "home",
                        "/hire/" + Slug.of(craft + " " + place.name()) + "/",
                        query,
                        90 + random.nextInt(300),
                        position,
                        position);
            }
        }
    }

    /** Pages that begin to be shown for something searched far more than what they aim at. */
    private void rising() {
        for (int i = 0; i < RISING; i++) {
            add(
                    "better",
                    tour(risingPlace(i), i % RISING_QUERIES.size()),
                    risingQuery(i),
                    risingSearches(i),
                    31,
                    9 + i % 4);
        }
    }

    /** Not Ravensea: its birdwatching is searched for so much that nothing is far better. */
    private static Place risingPlace(int i) {
        return Place.ALL.get(i < 10 ? i : i + 1);
    }

    static String risingQuery(int i) {
        return RISING_QUERIES
                .get(i % RISING_QUERIES.size())
                .formatted(risingPlace(i).name().toLowerCase(Locale.ROOT));
    }

    static int risingSearches(int i) {
        return RISING_SEARCHES[i];
    }

    /** The same of pages that are a few weeks old. */
    private void young() {
        for (SitePage page : Newcomers.PAGES) {
            add("too-early", page.path, page.name.toLowerCase(Locale.ROOT).replace(" in ", " "), 300, 12, 12);
            add("too-early", page.path, Newcomers.wanted(page), 1_400, 34, 11);
        }
    }

    private void brand() {
        add("brand", "/", "tarrin bay kayaks", 1_300, 1.1, 1.1);
        add("brand", "/", "tarrin kayak", 700, 1.2, 1.2);
        add("brand", "/", "tarrinbay kayaks", 240, 1.1, 1.1);
        add("brand", "/hire/", "tarrin bay kayaks prices", 320, 1.3, 1.3);
    }

    /** Everything else is shown for its name, some of it for nothing. */
    private void others(DemoSite site, Random random) {
        for (SitePage page : site.pages().values()) {
            boolean done = page.section.equals("tours") || page.section.equals("hire") || page.path.equals("/");
            if (done || Newcomers.isOne(page.path) || random.nextInt(4) == 0) continue;
            double position = 3 + random.nextDouble() * 25;
            String name = page.name.toLowerCase(Locale.ROOT).replaceAll("[^\\p{L}\\p{N} ]", "");
            interests.add(new Interest(page.path, name, 20 + random.nextInt(400), position, position, false));
        }
    }

    private static String tour(Place place, int tour) {
        return "/tours/" + place.slug() + "/" + Slug.of(Sections.TOURS.get(tour)) + "/";
    }
}
