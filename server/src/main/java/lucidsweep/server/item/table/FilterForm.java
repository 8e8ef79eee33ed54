package lucidsweep.server.item.table;

import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.Trait;
import lucidsweep.server.web.Refusal;

/**
 * A filter as it stands in an address; names as in {@link ItemFilter}.
 *
 * @param life "new", "back" or "old", and behind a space the moment of a sweep in seconds since 1970
 * @param having as {@link Trait} is written: "folder /boats/kits/", "tagged kayak", days since then as "published ..61"
 */
public record FilterForm(
        String q,
        String section,
        Field field,
        String check,
        String shared,
        String state,
        String target,
        String indexable,
        Long set,
        String life,
        String having) {

    private Trait trait() {
        if (having == null || having.isEmpty()) return null;
        try {
            return Trait.of(having);
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput("having: " + e.getMessage());
        }
    }

    public ItemView view(long propertyId, OrderForm order) {
        if (check != null
                && !check.isEmpty()
                && !check.equals(ItemFilter.ANY)
                && !Checks.codes().contains(check)) {
            throw Refusal.badInput(
                    "check: expected one of " + String.join(", ", Checks.codes()) + ", got \"" + check + "\"");
        }
        ItemFilter filter = new ItemFilter(
                q, section, field, check, shared, state, target, indexable, set, LifeFilter.of(life), trait(), null);
        return new ItemView(propertyId, filter, order.column(), order.isFalling(), order.asOf(), order.picked());
    }
}
