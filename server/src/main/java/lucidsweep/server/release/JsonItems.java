package lucidsweep.server.release;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;

/** An item of a handover as an object: its address, and a member for each field that changes. */
final class JsonItems {

    private JsonItems() {}

    static Map<String, Object> of(List<ReleaseMapper.Line> lines) {
        Map<String, Object> item = new LinkedHashMap<>();
        item.put("address", lines.get(0).address());
        for (ReleaseMapper.Line line : lines) item.put(line.field().code(), value(line));
        return item;
    }

    /** Tags are a list; texts of images and links an object by their addresses. */
    private static Object value(ReleaseMapper.Line line) {
        if (line.field() == Field.TAGS) return TagList.of(line.after());
        if (!PartTexts.areOf(line.field())) return line.after();
        Map<String, String> texts = new LinkedHashMap<>();
        for (PartTexts.Change part : PartTexts.changes(line.before(), line.after()))
            texts.put(part.address(), part.after());
        return texts;
    }
}
