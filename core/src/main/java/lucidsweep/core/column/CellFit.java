package lucidsweep.core.column;

import lucidsweep.core.column.CellProfile.Look;

/** How well the cells of a column fit a meaning, from 0 (they cannot mean it) over 0.5 (they do not tell) to 1. */
final class CellFit {

    private static final double UNTOLD = 0.5;
    private static final int ENOUGH = 3;

    private CellFit() {}

    /** Few cells tell little: the fit of one or two is nearer to the middle. */
    static double of(CellProfile cells, Meaning meaning) {
        double weight = Math.min(1, (cells.count() + 1.0) / (ENOUGH + 1));
        return cells.count() == 0 ? UNTOLD : UNTOLD + (fit(cells, meaning) - UNTOLD) * weight;
    }

    private static double fit(CellProfile cells, Meaning meaning) {
        return switch (meaning) {
            case ID ->
                cells.share(Look.ADDRESS) > 0.5 || cells.words() > 2
                        ? 0
                        : cells.distinct() * (cells.share(Look.ID) > 0.5 ? 1 : UNTOLD);
            // What is reported of listings and videos may name them by their ids.
            case ADDRESS ->
                Math.max(
                        cells.share(Look.ADDRESS),
                        cells.share(Look.SPACED) < 0.1 && cells.share(Look.DATE) < 0.5 ? 0.4 : 0);
            case TITLE -> title(cells);
            case DESCRIPTION -> description(cells);
            case TAGS -> tags(cells);
            case PUBLISHED, MODIFIED, FROM, TO, DAY -> cells.share(Look.DATE);
            case GROUP ->
                cells.share(Look.ADDRESS) > 0.5 || cells.length() > 80
                        ? 0.1
                        : cells.share(Look.NUMBER) > 0.8 ? 0.3 : 0.7;
            case PRICE -> cells.share(Look.DATE) > 0.5 ? 0 : cells.share(Look.NUMBER);
            case CTR, POSITION ->
                cells.share(Look.DATE) > 0.5
                        ? 0
                        : cells.share(Look.NUMBER) - (meaning == Meaning.POSITION ? cells.share(Look.PERCENT) : 0);
            case VIEWS, FAVOURITES, CLICKS, IMPRESSIONS, VOLUME, BROAD, MONTH ->
                cells.share(Look.PERCENT) > 0.5 ? 0 : cells.share(Look.COUNT);
            case COUNTRY ->
                cells.share(Look.NUMBER) > 0.5 || cells.share(Look.ADDRESS) > 0.5 || cells.words() > 4
                        ? 0
                        : UNTOLD + cells.share(Look.COUNTRY) / 2;
            case QUERY, KEYWORD -> phrase(cells);
            case COMPETITION -> cells.share(Look.ADDRESS) > 0.5 || cells.words() > 3 ? 0 : 0.8;
            case UNUSED -> UNTOLD;
        };
    }

    private static double title(CellProfile cells) {
        if (isNoText(cells)) return 0;
        boolean codes = cells.share(Look.ID) > 0.8 && cells.share(Look.SPACED) < 0.1;
        if (codes) return 0;
        if (cells.share(Look.LIST) > 0.6 && cells.count() >= ENOUGH) return 0.3;
        double length = cells.length() < 8 ? 0.6 : cells.length() <= 110 ? 1 : cells.length() <= 160 ? 0.6 : 0.2;
        // One title on all items is what this is for; one word on all of them is more likely a kind or a form of
        // address.
        double often = cells.share(Look.SPACED) > 0.5 ? 0.75 : 0.2;
        double same = cells.count() > ENOUGH && cells.distinct() < 0.2 ? often : 1;
        return length * same * (0.6 + 0.4 * cells.share(Look.SPACED));
    }

    private static double description(CellProfile cells) {
        if (isNoText(cells) || cells.share(Look.ID) > 0.8) return 0;
        if (cells.share(Look.LIST) > 0.8) return 0.3;
        double same = cells.count() > ENOUGH && cells.distinct() < 0.1 ? 0.4 : 1;
        return same * (cells.length() >= 80 ? 1 : cells.length() >= 40 ? 0.75 : 0.55);
    }

    private static double tags(CellProfile cells) {
        if (isNoText(cells)) return 0;
        if (cells.share(Look.LIST) > 0.3) return 0.6 + 0.4 * cells.share(Look.LIST);
        return cells.words() > 12 ? 0.2 : UNTOLD;
    }

    private static double phrase(CellProfile cells) {
        if (isNoText(cells)) return 0;
        return cells.words() > 10 || cells.length() > 100 ? 0.2 : cells.share(Look.SPACED) > 0.3 ? 1 : 0.7;
    }

    private static boolean isNoText(CellProfile cells) {
        return cells.share(Look.ADDRESS) > 0.5 || cells.share(Look.NUMBER) > 0.5 || cells.share(Look.DATE) > 0.5;
    }
}
