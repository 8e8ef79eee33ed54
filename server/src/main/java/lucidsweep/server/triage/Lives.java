package lucidsweep.server.triage;

import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.FindingLife;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.table.ItemDetail;

/** Follows the findings of some items: since when each is there, and what has ended. */
final class Lives {

    private final long moment;
    private final long now = Instant.now().getEpochSecond();
    private final Map<Long, String> before = new HashMap<>();

    /** @param moment of the latest sweep, in seconds since 1970 */
    Lives(long moment, List<LifeMapper.LifeLine> before) {
        this.moment = moment;
        before.forEach(line -> this.before.put(line.itemId(), line.life()));
    }

    /** What is to be written once this is found of an item; nothing where that is written already. */
    Optional<LifeMapper.LifeLine> after(ItemDetail item, List<Check> found) {
        String was = before.getOrDefault(item.id(), "");
        if (was.isEmpty() && found.isEmpty()) return Optional.empty();
        String line = FindingLife.read(was)
                .next(found, moment, field -> isDrafted(item, field), now)
                .toString();
        return line.equals(was) ? Optional.empty() : Optional.of(new LifeMapper.LifeLine(item.id(), line));
    }

    private static boolean isDrafted(ItemDetail item, Field field) {
        return FieldId.FIELDS.contains(field) && item.draft(field) != null;
    }
}
