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
    private final Map<Long, String> lines = new HashMap<>();

    /** @param moment of the latest sweep, in seconds since 1970 */
    Lives(long moment, List<LifeMapper.LifeLine> before) {
        this.moment = moment;
        before.forEach(line -> lines.put(line.itemId(), line.life()));
    }

    /** What is to be written once this is found of an item; nothing where that is written already. */
    Optional<LifeMapper.LifeLine> after(ItemDetail item, List<Check> found) {
        String was = of(item.id());
        if (FindingLife.isOf(was, found)) return Optional.empty();
        String line = FindingLife.read(was)
                .next(found, moment, field -> isDrafted(item, field), now)
                .toString();
        if (line.equals(was)) return Optional.empty();
        lines.put(item.id(), line);
        return Optional.of(new LifeMapper.LifeLine(item.id(), line));
    }

    /** What is known of an item by now; "" where nothing was ever found. */
    String of(long itemId) {
        return lines.getOrDefault(itemId, "");
    }

    private static boolean isDrafted(ItemDetail item, Field field) {
        return FieldId.FIELDS.contains(field) && item.draft(field) != null;
    }
}
