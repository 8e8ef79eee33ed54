package lucidsweep.server.gather.imports;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.column.Meaning;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Refusal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** The imported columns that stand for nothing of ours, beside the texts that they came with. */
@RestController
@RequestMapping("/api/properties/{propertyId}/imported-columns")
class ImportedColumnController {

    private static final int MOST_ROWS = 500;

    private final ImportedColumns columns;
    private final Items items;

    ImportedColumnController(ImportedColumns columns, Items items) {
        this.columns = columns;
        this.items = items;
    }

    /** What stands in a column for an item. */
    record ImportedCell(long itemId, String column, String text) {}

    /** Their names. */
    @GetMapping
    List<String> columns(@PathVariable long propertyId) {
        return columns.ofProperty(propertyId).stream()
                .filter(column -> column.meaning() == Meaning.UNUSED)
                .map(ImportedColumns.Column::name)
                .toList();
    }

    /** What stands in them for some items, such as those in view. */
    @GetMapping("/cells")
    List<ImportedCell> cells(@PathVariable long propertyId, @RequestParam long[] ids) {
        if (ids.length > MOST_ROWS) {
            throw Refusal.badInput("expected at most " + MOST_ROWS + " items at once, got " + ids.length);
        }
        for (long id : ids) items.requireOf(propertyId, id);
        Set<String> names = columns(propertyId).stream().collect(Collectors.toSet());
        List<ImportedCell> cells = new ArrayList<>();
        columns.cells(Arrays.stream(ids).boxed().toList(), names)
                .forEach((id, named) -> named.forEach((name, text) -> cells.add(new ImportedCell(id, name, text))));
        return cells;
    }
}
