package lucidsweep.server.aim;

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
 * @param country the figures are of this one, and only keywords with any are taken; of all where none is given
 */
public record KeywordFilter(
        String q, String home, String intent, String topic, String brand, String place, String season, String country) {

    boolean takes(KeywordRow row) {
        if (isGiven(q) && !row.phrase().toLowerCase(Locale.ROOT).contains(q.toLowerCase(Locale.ROOT))) return false;
        if (isGiven(home) && !hasHome(row)) return false;
        if (isGiven(intent) && !intent.equals(row.intent())) return false;
        if (isGiven(topic) && !topic.equals(row.topic())) return false;
        if (isGiven(brand) && row.brand() != brand.equals("yes")) return false;
        if (isGiven(place) && !place.equals(row.place())) return false;
        return !"yes".equals(season) || !row.peaks().isEmpty();
    }

    private boolean hasHome(KeywordRow row) {
        return switch (home) {
            case "with" -> row.itemId() != null;
            case "without" -> row.itemId() == null;
            default -> home.equals(row.role());
        };
    }

    private static boolean isGiven(String part) {
        return part != null && !part.isEmpty();
    }
}
