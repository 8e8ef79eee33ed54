package lucidsweep.server.item.table;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.SetConditions;
import lucidsweep.server.web.Refusal;

/**
 * A filter as it stands in an address; names as in {@link ItemFilter}.
 *
 * @param life "new", "back" or "old", and behind a space the moment of a sweep in seconds since 1970
 * @param age days since they were published: "..60", "365.." or "60..365"
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
        String age) {

    private static final Pattern DAYS = Pattern.compile("(\\d{0,6})\\.\\.(\\d{0,6})");

    private SetConditions.Range ageDays() {
        if (age == null || age.isEmpty()) return null;
        Matcher days = DAYS.matcher(age);
        if (!days.matches())
            throw Refusal.badInput("age: expected days as \"..60\", \"365..\" or \"60..365\", got \"" + age + "\"");
        return new SetConditions.Range(days(days.group(1)), days(days.group(2)));
    }

    private static Double days(String written) {
        return written.isEmpty() ? null : Double.valueOf(written);
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
                q, section, field, check, shared, state, target, indexable, set, LifeFilter.of(life), ageDays(), null);
        return new ItemView(propertyId, filter, order.column(), order.isFalling(), order.asOf());
    }
}
