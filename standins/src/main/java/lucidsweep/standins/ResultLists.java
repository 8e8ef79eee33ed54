package lucidsweep.standins;

import java.net.URI;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Who ranks for what is searched most: a page of the demo site among made-up rivals, as a CSV file of result lists. */
final class ResultLists {

    private static final int QUERIES = 60;
    private static final int RESULTS = 8;
    private static final int LONGEST_TITLE = 62;
    private static final int LONGEST_DESCRIPTION = 160;

    /** A made-up rival, and how it words its titles and descriptions; %s is what was searched. */
    private record Rival(String host, String title, String description) {}

    private static final List<Rival> RIVALS = List.of(
            new Rival(
                    "ospreypaddles.example",
                    "%s 2026: prices and times | Osprey Paddles",
                    "%s with a view: two or three hours, from £28. Book a place for 2026."),
            new Rival(
                    "heronhire.example",
                    "%s from £18 (open all year) | Heron Hire",
                    "Looking for %s? Boats, paddles and vests by the hour or the day, from £18."),
            new Rival(
                    "coastandcove.example",
                    "The 7 best places for %s in 2026 | Coast & Cove",
                    "Our seven favourites for %s, with prices, parking and the time of year to go."),
            new Rival(
                    "ternwater.example",
                    "%s for beginners and families | Tern Water",
                    "%s with a guide who knows the tides. Children from eight years are welcome."),
            new Rival(
                    "saltybarn.example",
                    "%s – book online | The Salty Barn",
                    "Book %s online in two minutes. Free changes until the day before."),
            new Rival(
                    "windandoar.example",
                    "%s: what to bring, what it costs (2026) | Wind & Oar",
                    "What to bring to %s, what it costs in 2026, and what we learnt on the way."),
            new Rival(
                    "baytimes.example",
                    "Is %s worth it? We went in April | Bay Times",
                    "We tried %s on a grey day in April, and would do it again."),
            new Rival(
                    "reedsandrushes.example",
                    "%s near you | Reeds & Rushes",
                    "Find %s near you: places, opening hours and reviews of people who went."));

    private ResultLists() {}

    /** The lists as they are on a day. */
    static String csv(SearchWorld world, URI website, LocalDate today) {
        Map<String, SearchMarket.Interest> queries = new LinkedHashMap<>();
        world.market().interests().stream()
                .filter(interest -> !interest.brand() && interest.now() <= RESULTS)
                .sorted(Comparator.comparingDouble((SearchMarket.Interest interest) -> -interest.monthly())
                        .thenComparing(SearchMarket.Interest::query))
                .forEach(interest -> queries.putIfAbsent(interest.query(), interest));
        StringBuilder csv = new StringBuilder("query,position,address,title,description,date\n");
        queries.values().stream().limit(QUERIES).forEach(interest -> add(interest, world, website, today, csv));
        return csv.toString();
    }

    private static void add(
            SearchMarket.Interest interest, SearchWorld world, URI website, LocalDate today, StringBuilder csv) {
        int own = (int) Math.round(world.position(interest, today, true));
        long weeks = Math.max(0, ChronoUnit.WEEKS.between(world.start(), today));
        // Rivals come and go: the round moves on by one every few weeks.
        int next = (int) Math.floorMod(interest.query().hashCode() + weeks / 3, (long) RIVALS.size());
        for (int position = 1; position <= RESULTS; position++) {
            SitePage page = world.site().pages().get(interest.path());
            if (position == own && page != null && !page.titles.isEmpty() && !page.descriptions.isEmpty()) {
                String address = website.resolve(interest.path()).toString();
                ContentItem.Version live = world.inForce(interest.path(), today)
                        .orElse(new ContentItem.Version(today, page.titles.get(0), page.descriptions.get(0)));
                line(
                        csv,
                        today,
                        interest.query(),
                        position,
                        address,
                        shown(live.title(), page.name, LONGEST_TITLE),
                        shown(live.description(), page.paragraphs.get(0), LONGEST_DESCRIPTION));
                continue;
            }
            Rival rival = RIVALS.get(next++ % RIVALS.size());
            String query = interest.query();
            String address = "https://" + rival.host + "/" + query.replace(' ', '-') + "/";
            line(csv, today, query, position, address, said(rival.title, query), said(rival.description, query));
        }
    }

    private static String said(String pattern, String query) {
        String text = pattern.formatted(query);
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    /** Whole where it is short enough, cut at a word where it is not much longer; else words of the search engine's own. */
    private static String shown(String text, String instead, int longest) {
        if (text.isBlank() || text.length() > 2 * longest) return instead;
        if (text.length() <= longest) return text;
        return text.substring(0, Math.max(1, text.lastIndexOf(' ', longest - 2))) + " …";
    }

    private static void line(StringBuilder csv, LocalDate day, String query, int position, String... rest) {
        csv.append(query).append(',').append(position);
        for (String cell : rest)
            csv.append(",\"").append(cell.replace("\"", "\"\"")).append('"');
        csv.append(',').append(day).append('\n');
    }
}
