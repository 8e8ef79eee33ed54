package lucidsweep.server.aim;

import java.util.Locale;
import lucidsweep.core.demand.BetterKeywords;
import lucidsweep.core.demand.ClickCurve;

/** Why a keyword is better than what an item aims at, with every figure that its value was made of. */
public final class BetterReason {

    private BetterReason() {}

    public static String of(BetterKeywords.Better better, ClickCurve curve) {
        String direction = better.positionBefore() < 1
                ? "new in these three months"
                : better.positionBefore() > better.position() + 0.5
                        ? "up from " + decimal(better.positionBefore())
                        : better.positionBefore() < better.position() - 0.5
                                ? "down from " + decimal(better.positionBefore())
                                : "as in the three months before";
        return String.format(
                Locale.ROOT,
                "shown %,.0f times a month at position %s, %s; an estimate of %,.0f searches × (%.1f%% clicks at position %s"
                        + " − %.1f%% now) × relevance %.2f",
                better.shown(),
                decimal(better.position()),
                direction,
                better.volume(),
                100 * curve.rate(better.reachable()),
                decimal(better.reachable()),
                100 * curve.rate(better.position()),
                better.relevance());
    }

    private static String decimal(double number) {
        return String.format(Locale.ROOT, "%.1f", number);
    }
}
