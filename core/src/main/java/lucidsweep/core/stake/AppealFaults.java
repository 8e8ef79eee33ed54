package lucidsweep.core.stake;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;

/**
 * The faults of titles and descriptions, which decide how often a result that is shown is clicked, and what is assumed of each
 * before a property has figures of its own. The assumptions are ours and cautious: a figure of the property moves them soon.
 */
public final class AppealFaults {

    private static final List<Check> CHECKS = Checks.all().stream()
            .filter(check -> check.field() == Field.TITLE || check.field() == Field.DESCRIPTION)
            .toList();

    private static final Map<String, Integer> NUMBERS = new HashMap<>();

    static {
        for (int i = 0; i < CHECKS.size(); i++) NUMBERS.put(CHECKS.get(i).id(), i);
    }

    private static final Map<String, AppealModel.Prior> OF_TITLES = Map.of(
            "missing", new AppealModel.Prior(-0.30, 0.25),
            "empty", new AppealModel.Prior(-0.30, 0.25),
            "generic", new AppealModel.Prior(-0.25, 0.20),
            "template-text", new AppealModel.Prior(-0.25, 0.20),
            "broken-encoding", new AppealModel.Prior(-0.15, 0.15),
            "keyword-missing", new AppealModel.Prior(-0.12, 0.12),
            "duplicate", new AppealModel.Prior(-0.08, 0.10),
            "too-short", new AppealModel.Prior(-0.08, 0.10),
            "too-long", new AppealModel.Prior(-0.06, 0.08));

    private static final AppealModel.Prior OF_ANY_TITLE = new AppealModel.Prior(-0.04, 0.08);
    private static final AppealModel.Prior OF_NO_DESCRIPTION = new AppealModel.Prior(-0.06, 0.08);
    private static final AppealModel.Prior OF_ANY_DESCRIPTION = new AppealModel.Prior(-0.03, 0.06);

    private AppealFaults() {}

    /** The checks that are faults here; the place of each is its number. */
    public static List<Check> checks() {
        return CHECKS;
    }

    /** The number of a check; -1 where it says nothing of how often a result is clicked. */
    public static int number(Field field, String code) {
        return number(Check.id(field, code));
    }

    /** The same by the id of the check. */
    public static int number(String checkId) {
        return NUMBERS.getOrDefault(checkId, -1);
    }

    /** The numbers of those checks that are faults here, in their order. */
    public static int[] numbers(List<Check> checks) {
        return checks.stream()
                .mapToInt(check -> number(check.field(), check.code()))
                .filter(number -> number >= 0)
                .toArray();
    }

    /** What is assumed of a fault that a property has no figures of. */
    public static Cost assumed(Check check) {
        AppealModel.Prior prior = prior(check);
        return new Cost(prior.mean(), prior.deviation(), 0, Cost.Source.ASSUMED);
    }

    /** What is assumed of each fault. */
    public static AppealModel.Prior[] priors() {
        return CHECKS.stream().map(AppealFaults::prior).toArray(AppealModel.Prior[]::new);
    }

    private static AppealModel.Prior prior(Check check) {
        if (check.field() == Field.TITLE) return OF_TITLES.getOrDefault(check.code(), OF_ANY_TITLE);
        boolean none = check.code().equals("missing") || check.code().equals("empty");
        return none ? OF_NO_DESCRIPTION : OF_ANY_DESCRIPTION;
    }
}
