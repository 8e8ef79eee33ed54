package lucidsweep.server.triage;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.FindingLife;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.table.ItemDetail;

/** Follows the findings of some items: since when each is there, and what has ended. */
final class Lives {

    private final long propertyId;
    private final long moment;
    private final Map<Long, String> before = new HashMap<>();
    private final Map<Long, Set<String>> fixed = new HashMap<>();

    /** @param moment of the latest sweep, in seconds since 1970 */
    Lives(long propertyId, long moment, List<LifeMapper.LifeLine> before, List<LifeMapper.FixedKey> fixed) {
        this.propertyId = propertyId;
        this.moment = moment;
        before.forEach(line -> this.before.put(line.itemId(), line.life()));
        fixed.forEach(key -> this.fixed
                .computeIfAbsent(key.itemId(), any -> new HashSet<>())
                .add(Check.id(key.field(), key.checkCode())));
    }

    /** What is to be written of some items. */
    record Changes(List<LifeMapper.LifeLine> lives, List<LifeMapper.FixedLine> ended, List<LifeMapper.BackLine> back) {

        Changes() {
            this(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
        }
    }

    /** Goes on with what is found of an item now; what has to be written is added to the changes. */
    void follow(ItemDetail item, List<Check> found, Changes changes) {
        String was = before.get(item.id());
        if (was == null && found.isEmpty()) return;
        FindingLife.Step step =
                FindingLife.read(was == null ? "" : was).next(found, fixed.getOrDefault(item.id(), Set.of()), moment);
        String now = step.now().toString();
        if (!now.equals(was)) changes.lives.add(new LifeMapper.LifeLine(item.id(), now));
        for (FindingLife.Ended ended : step.ended()) {
            Field field = field(ended.checkId());
            boolean byDraft = isDrafted(item, field);
            changes.ended.add(new LifeMapper.FixedLine(
                    item.id(),
                    field.code(),
                    code(ended.checkId()),
                    propertyId,
                    ended.since(),
                    byDraft ? Instant.now() : Instant.ofEpochSecond(moment),
                    byDraft));
        }
        for (String back : step.back()) {
            changes.back.add(new LifeMapper.BackLine(item.id(), field(back).code(), code(back)));
        }
    }

    private static boolean isDrafted(ItemDetail item, Field field) {
        if (!FieldId.FIELDS.contains(field) || item.field(field) == null) return false;
        return item.field(field).draft() != null;
    }

    private static Field field(String checkId) {
        return Field.valueOf(checkId.substring(0, checkId.indexOf(' ')).toUpperCase(Locale.ROOT));
    }

    private static String code(String checkId) {
        return checkId.substring(checkId.indexOf(' ') + 1);
    }
}
