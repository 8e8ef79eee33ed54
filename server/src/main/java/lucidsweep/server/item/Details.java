package lucidsweep.server.item;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Puts items together from stretches of the tables that hold their parts; faster than joining them row by row. */
final class Details {

    private final Map<Long, ItemMapper.FieldText> fields;
    private final Map<Long, String> keywords;
    private final Map<Long, ItemMapper.Captured> captures;

    Details(List<ItemMapper.FieldText> fields, List<ItemMapper.Aimed> aims, List<ItemMapper.Captured> captures) {
        this.fields = fields.stream().collect(Collectors.toMap(ItemMapper.FieldText::id, Function.identity()));
        this.keywords = new HashMap<>();
        aims.forEach(aim -> keywords.put(aim.itemId(), aim.phrase()));
        this.captures = captures.stream().collect(Collectors.toMap(ItemMapper.Captured::itemId, Function.identity()));
    }

    List<ItemDetail> of(List<ItemMapper.Core> cores) {
        return cores.stream().map(this::of).toList();
    }

    private ItemDetail of(ItemMapper.Core core) {
        ItemMapper.Captured captured = captures.get(core.id());
        ItemDetail.Text title = text(core.id(), "title");
        ItemDetail.Text description = text(core.id(), "description");
        return new ItemDetail(
                core.id(),
                core.address(),
                core.obstacle(),
                core.section(),
                core.h1(),
                core.h1Count(),
                core.linksIn(),
                core.linkTexts(),
                core.opening(),
                core.price(),
                title == null ? ItemDetail.Text.NONE : title,
                description == null ? ItemDetail.Text.NONE : description,
                text(core.id(), "tags"),
                keywords.get(core.id()),
                captured == null ? null : captured.facts(),
                captured == null ? null : captured.copy());
    }

    private ItemDetail.Text text(long itemId, String field) {
        ItemMapper.FieldText found = fields.get(FieldId.of(itemId, field));
        return found == null
                ? null
                : new ItemDetail.Text(found.captured(), found.count(), found.text(), found.alike(), found.kept());
    }
}
