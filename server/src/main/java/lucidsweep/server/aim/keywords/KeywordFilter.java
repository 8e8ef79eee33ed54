package lucidsweep.server.aim.keywords;

import java.util.Locale;

/**
 * Which keywords are meant, and in what order; every part that is null or empty does not narrow.
 *
 * @param q a text that the phrase holds
 * @param home with, without, primary or secondary
 * @param intent one of the four
 * @param topic the phrase that names it
 * @param brand yes or no
 * @param place one of the client's places
 * @param season yes: only those with peak months
 * @param competition as the list says it
 * @param min the fewest searches a month
 * @param rank where the property stands for it: first-page (to 10), second-page (to 20), further, or none
 * @param country the figures are of this one, and only keywords with any are taken; of all where none is given
 */
public record KeywordFilter(
        String q,
        String home,
        String intent,
        String topic,
        String brand,
        String place,
        String season,
        String competition,
        Long min,
        String rank,
        String country) {

    private static final double FIRST_PAGE = 10.5;
    private static final double SECOND_PAGE = 20.5;

    boolean takes(KeywordRow row) {
        if (isGiven(q) && !row.phrase().toLowerCase(Locale.ROOT).contains(q.toLowerCase(Locale.ROOT))) return false;
        if (isGiven(home) && !hasHome(row)) return false;
        if (isGiven(intent) && !intent.equals(row.intention().intent())) return false;
        if (isGiven(topic) && !topic.equals(row.topic())) return false;
        if (isGiven(brand) && row.brand() != brand.equals("yes")) return false;
        if (isGiven(place) && !place.equals(row.place())) return false;
        if (isGiven(competition) && !competition.equalsIgnoreCase(row.figures().competition())) return false;
        if (min != null && (row.figures().volume() == null || row.figures().volume() < min)) return false;
        if (isGiven(rank) && !rank.equals(rank(row.reported().position()))) return false;
        return !"yes".equals(season) || !row.peaks().isEmpty();
    }

    private static String rank(double position) {
        if (position < 1) return "none";
        return position <= FIRST_PAGE ? "first-page" : position <= SECOND_PAGE ? "second-page" : "further";
    }

    private boolean hasHome(KeywordRow row) {
        return switch (home) {
            case "with" -> row.item().itemId() != null;
            case "without" -> row.item().itemId() == null;
            default -> home.equals(row.item().role());
        };
    }

    private static boolean isGiven(String part) {
        return part != null && !part.isEmpty();
    }
}
