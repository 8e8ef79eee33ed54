package lucidsweep.standins;

import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;

/**
 * The market as time goes on: pages drift up and down, an update of the search engine comes three weeks after the start, and
 * texts that the client put live move their pages by what the searchers make of them.
 *
 * @param start the day on which its time begins; before it only what was planted happens
 */
record SearchWorld(SearchMarket market, DemoSite site, Searchers searchers, ContentSystem content, LocalDate start) {

    /** What the update does to sections: a factor of the position, above 1 is lower down. */
    private static final Map<String, Double> UPDATE = Map.of("hire", 1.18, "journal", 0.8, "lessons", 1.1);

    private static final int UPDATE_AFTER_DAYS = 21;
    private static final double DRIFT = 0.015;

    /** So many days after a text went live result pages show it and positions follow it. */
    static final int DELAY_DAYS = 9;

    private static final int LONGEST_TITLE = 62;
    private static final int SHORTEST_DESCRIPTION = 60;

    /** The market as it was planted, whatever is live. */
    static SearchWorld still(SearchMarket market, LocalDate start) {
        return new SearchWorld(market, null, null, null, start);
    }

    /** The day on which the search engine changed its mind about whole sections. */
    LocalDate update() {
        return start.plusDays(UPDATE_AFTER_DAYS);
    }

    /** Where a page stands in a week, as it is or as if nobody had changed anything. */
    double position(SearchMarket.Interest interest, LocalDate sunday, boolean changed) {
        long sinceStart = ChronoUnit.WEEKS.between(sunday, start);
        double position = interest.position((int) Math.max(0, sinceStart));
        if (sunday.isBefore(start) || interest.brand() || content == null) return position;
        double log = drift(interest, sunday);
        if (!sunday.isBefore(update())) log += Math.log(UPDATE.getOrDefault(section(interest.path()), 1.0));
        if (changed) {
            ContentItem.Version live = inForce(interest.path(), sunday).orElse(null);
            if (live != null) log += Math.log(lower(live, interest) / lower(content.first(interest.path()), interest));
        }
        return Math.max(1, position * Math.exp(log));
    }

    /** How much lower a page stands by a title; where a move was planted, too, it is the change of title that tells. */
    private double lower(ContentItem.Version version, SearchMarket.Interest interest) {
        return searchers.lower(version.title(), interest.query());
    }

    /** How much less or more a page is clicked than one without faults, on the log scale. */
    double appeal(SearchMarket.Interest interest, LocalDate sunday, boolean changed) {
        if (!changed || interest.brand() || content == null) return interest.appeal();
        return inForce(interest.path(), sunday)
                .map(live -> appeal(interest.path(), live))
                .orElse(interest.appeal());
    }

    /** A text that was changed has the faults that can be seen in it; of one that was not, what was planted. */
    private double appeal(String path, ContentItem.Version live) {
        ContentItem.Version first = content.first(path);
        double sum = 0;
        if (live.title().equals(first.title())) sum += searchers.appealOf(site, path, "title");
        else if (live.title().isBlank()) sum += fault("title missing");
        else {
            if (live.title().length() > LONGEST_TITLE) sum += fault("title too-long");
            if (live.title().equals(live.title().toUpperCase(Locale.ROOT))) sum += fault("title all-capitals");
        }
        if (live.description().equals(first.description())) sum += searchers.appealOf(site, path, "description");
        else if (live.description().isBlank()) sum += fault("description missing");
        else if (live.description().length() < SHORTEST_DESCRIPTION) sum += fault("description too-short");
        return sum;
    }

    private double fault(String name) {
        return searchers.appeal().getOrDefault(name, 0.0);
    }

    /** What result pages go by on a day. */
    Optional<ContentItem.Version> inForce(String path, LocalDate day) {
        return content == null ? Optional.empty() : content.changed(path, day.minusDays(DELAY_DAYS));
    }

    /** A walk of its own, a step a week. */
    private double drift(SearchMarket.Interest interest, LocalDate sunday) {
        Random random = new Random((interest.path() + interest.query()).hashCode() * 31L);
        double log = 0;
        for (long week = ChronoUnit.WEEKS.between(start, sunday); week >= 0; week--)
            log += random.nextGaussian() * DRIFT;
        return log;
    }

    static String section(String path) {
        String[] parts = path.split("/");
        return parts.length > 1 ? parts[1] : "";
    }
}
