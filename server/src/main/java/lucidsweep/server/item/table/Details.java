package lucidsweep.server.item.table;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.server.item.draft.DraftMapper;
import lucidsweep.server.item.draft.FieldLines;

/** Puts items together from stretches of the tables that hold their parts; faster than joining them row by row. */
final class Details {

    private final FieldLines fields;
    private final Map<Long, String> keywords;
    private final Map<Long, ItemMapper.Captured> captures;

    Details(List<DraftMapper.Written> written, List<ItemMapper.Aimed> aims, List<ItemMapper.Captured> captures) {
        fields = new FieldLines(written);
        this.keywords = new HashMap<>();
        aims.forEach(aim -> keywords.put(aim.itemId(), aim.phrase()));
        this.captures = captures.stream().collect(Collectors.toMap(ItemMapper.Captured::itemId, Function.identity()));
    }

    List<ItemDetail> of(List<DraftMapper.Core> cores) {
        return cores.stream().map(this::of).toList();
    }

    private ItemDetail of(DraftMapper.Core core) {
        ItemMapper.Captured captured = captures.get(core.id());
        return new ItemDetail(
                core.id(),
                core.address(),
                core.obstacle(),
                core.section(),
                core.h1(),
                core.h1Count(),
                core.opening(),
                core.price(),
                core.published(),
                fields.of(core, "title"),
                fields.of(core, "description"),
                fields.of(core, "tags"),
                keywords.get(core.id()),
                captured == null ? null : captured.facts(),
                captured == null ? null : captured.copy(),
                captured == null ? null : captured.linkTexts());
    }
}
