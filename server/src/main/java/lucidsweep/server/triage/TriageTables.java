package lucidsweep.server.triage;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.stake.AppealFaults;
import lucidsweep.core.stake.Cost;
import lucidsweep.server.web.Rows;
import org.springframework.stereotype.Component;

/** What Triage knows, as tables to take away. */
@Component
public final class TriageTables {

    private static final double TENTHS = 10;

    private final Findings findings;
    private final RankedCauses causes;
    private final Stakes stakes;

    TriageTables(Findings findings, RankedCauses causes, Stakes stakes) {
        this.findings = findings;
        this.causes = causes;
        this.stakes = stakes;
    }

    /** Every finding with its evidence, its limit and the clicks a month that fixing it could win. */
    public void findings(long propertyId, Rows rows) {
        rows.row("address", "field", "check", "evidence", "limit", "clicks", "low", "high", "counted");
        findings.forEach(
                propertyId,
                row -> rows.row(
                        row.address(),
                        row.check().field(),
                        row.check().code(),
                        row.evidence(),
                        row.limit(),
                        tenths(row.stake().clicks()),
                        tenths(row.stake().low()),
                        tenths(row.stake().high()),
                        row.counted() ? "yes" : "no"));
    }

    /** The causes, those with most clicks at stake first. */
    public void causes(long propertyId, Rows rows) {
        rows.row(
                "cause", "check", "field", "items", "clicks", "low", "high", "fix", "links", "section", "shared",
                "having");
        for (Cause cause : causes.of(propertyId)) {
            Stake stake = cause.stake();
            rows.row(
                    cause.says(),
                    cause.check().code(),
                    cause.check().field(),
                    cause.items(),
                    tenths(stake.clicks()),
                    tenths(stake.low()),
                    tenths(stake.high()),
                    cause.fix(),
                    cause.links(),
                    cause.section(),
                    cause.shared(),
                    cause.having());
        }
    }

    /** What each fault costs, the dearest first; with what the words of a title do to the position. */
    public void costs(long propertyId, Rows rows) {
        Optional<FittedCosts> fitted = stakes.costs(propertyId);
        rows.row("check", "coefficient", "low", "high", "items", "source");
        List<Check> checks = AppealFaults.checks().stream()
                .sorted(Comparator.comparingDouble(check -> cost(fitted, check).effect()))
                .toList();
        for (Check check : checks) row(check.id(), cost(fitted, check), rows);
        fitted.ifPresent(costs -> {
            row("position: all words in the title", costs.words(), rows);
            row("position: title begins with them", costs.leads(), rows);
        });
    }

    private static Cost cost(Optional<FittedCosts> fitted, Check check) {
        return fitted.map(costs -> costs.costs().get(check.id())).orElseGet(() -> AppealFaults.assumed(check));
    }

    private static void row(String name, Cost cost, Rows rows) {
        rows.row(name, cost.effect(), cost.low(), cost.high(), cost.items(), cost.source());
    }

    private static double tenths(double clicks) {
        return Math.round(clicks * TENTHS) / TENTHS;
    }
}
