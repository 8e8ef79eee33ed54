package lucidsweep.core.effect;

import lucidsweep.core.demand.WeeklyFigures;

/**
 * The weeks that are held against each other.
 *
 * @param from, to the weeks before the change; to is the first that does not count any more
 * @param counted the first week after it that counts
 */
record Windows(int from, int to, int counted) {

    /** The weeks before the change that count at most. */
    static final int BEFORE = 26;

    static final int FEWEST_BEFORE = 8;
    static final int FEWEST_AFTER = 3;

    /** The last weeks before the change do not count: somebody may have been at work already. */
    static final int GAP = 2;

    static Windows of(Changed changed) {
        int to = changed.live() - GAP;
        return new Windows(Math.max(0, to - BEFORE), to, changed.counted());
    }

    boolean isOldEnough() {
        return to - from >= FEWEST_BEFORE;
    }

    boolean isLongEnough(int weeks) {
        return weeks - counted >= FEWEST_AFTER;
    }

    double logPosition(WeeklyFigures figures, int item) {
        double places = 0;
        double shown = 0;
        for (int week = from; week < to; week++) {
            places += figures.logPositions(item, week);
            shown += figures.placedImpressions(item, week);
        }
        // Nothing is known of its position: as if on the second page.
        return shown <= 0 ? Math.log(15) : places / shown;
    }
}
