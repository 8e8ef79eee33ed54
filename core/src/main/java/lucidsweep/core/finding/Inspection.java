package lucidsweep.core.finding;

import java.util.ArrayList;
import java.util.List;

/** Holds an item against every check that its standard has on. */
public final class Inspection {

    private final InspectionContext around;
    private final List<Check> checks;

    public Inspection(InspectionContext around) {
        this.around = around;
        checks = Checks.all().stream()
                .filter(check -> !around.standard().off().contains(check.id()))
                .toList();
    }

    /**
     * Everything that is wrong with an item, what is exempt left out. An item that is not indexable has that
     * finding first; its others are told apart by it.
     */
    public List<Finding> of(InspectedItem item) {
        List<Finding> found = new ArrayList<>();
        for (Check check : checks) {
            if (!item.exempt().has(check)) check.look(item, around, found::add);
        }
        return found;
    }
}
