package lucidsweep.server.gather.imports;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.column.Meaning;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.item.table.Items;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** The columns of the files that a property's items came from, with what stands in them of each item. */
@Service
public class ImportedColumns {

    private final SweepStore sweeps;
    private final Imports imports;
    private final Items items;
    private final JsonMapper json;

    ImportedColumns(SweepStore sweeps, Imports imports, Items items, JsonMapper json) {
        this.sweeps = sweeps;
        this.imports = imports;
        this.items = items;
        this.json = json;
    }

    /**
     * A column.
     *
     * @param meaning what it was taken for; UNUSED where it stands for nothing of ours
     */
    public record Column(String name, Meaning meaning) {}

    /** All columns, those of the last import first; none where no item came from a file. */
    public List<Column> ofProperty(long propertyId) {
        Map<String, Meaning> meanings = new LinkedHashMap<>();
        for (Sweep sweep : imports.itemImports(propertyId).toList()) {
            ImportShape shape = sweeps.settings(sweep.id(), ImportShape.class);
            for (int i = 0; i < shape.columns().size(); i++) {
                meanings.putIfAbsent(shape.columns().get(i), shape.meanings().get(i));
            }
        }
        List<Column> columns = new ArrayList<>();
        meanings.forEach((name, meaning) -> columns.add(new Column(name, meaning)));
        return columns;
    }

    /**
     * What stands in some columns of the row that each item last came from.
     *
     * @return by item and by column; an item or a cell is left out where there is nothing
     */
    public Map<Long, Map<String, String>> cells(List<Long> ids, Set<String> columns) {
        Map<Long, Map<String, String>> found = new HashMap<>();
        Map<Long, ImportShape> shapes = new HashMap<>();
        items.lastCaptures(ids).forEach((id, capture) -> {
            ImportShape shape = shapes.computeIfAbsent(
                    capture.sweepId(), sweep -> imports.shapeOfSweep(sweep).orElse(null));
            if (shape == null) return;
            List<String> cells =
                    json.readValue(capture.facts(), ImportShape.Row.class).cells();
            Map<String, String> named = new HashMap<>();
            for (int i = 0; i < Math.min(cells.size(), shape.columns().size()); i++) {
                boolean wanted = columns.contains(shape.columns().get(i))
                        && !cells.get(i).isBlank();
                if (wanted) named.putIfAbsent(shape.columns().get(i), cells.get(i));
            }
            if (!named.isEmpty()) found.put(id, named);
        });
        return found;
    }
}
