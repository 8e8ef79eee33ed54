package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import lucidsweep.core.acceptance.Acceptance.ShownShare;
import lucidsweep.server.client.Property;
import lucidsweep.server.release.Acceptances;
import org.springframework.stereotype.Component;

/** When result pages show our wording less often than a month before. */
@Component
class AcceptanceReminder implements Reminder {

    private static final int FEWEST = 20;
    private static final double FALL = 0.1;

    private final Acceptances acceptances;

    AcceptanceReminder(Acceptances acceptances) {
        this.acceptances = acceptances;
    }

    @Override
    public List<Due> of(Property property, LocalDate today) {
        List<ShownShare> months =
                acceptances.of(property.id(), null).acceptance().byMonth();
        if (months.size() < 2) return List.of();
        ShownShare before = months.get(months.size() - 2);
        ShownShare now = months.get(months.size() - 1);
        if (before.results() < FEWEST || now.results() < FEWEST || now.accepted() > before.accepted() - FALL)
            return List.of();
        return List.of(Due.of(
                "acceptance:" + now.what(),
                "acceptance",
                String.format(
                        Locale.ROOT,
                        "Result pages show our wording in %.0f%% of the results, %.0f%% a month before",
                        now.accepted() * 100,
                        before.accepted() * 100),
                today,
                "watch?view=acceptance"));
    }
}
