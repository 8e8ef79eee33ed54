package lucidsweep.server.item.table;

import jakarta.annotation.Nullable;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.List;
import lucidsweep.server.web.CsvText;
import lucidsweep.server.web.Rows;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api")
class ItemController {

    private final Items items;

    ItemController(Items items) {
        this.items = items;
    }

    @GetMapping("/properties/{propertyId}/items")
    Items.Slice items(
            @PathVariable long propertyId,
            @ParameterObject FilterForm filter,
            @ParameterObject OrderForm order,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "100") int count,
            @RequestParam(defaultValue = "false") boolean parts,
            @RequestParam(defaultValue = "false") boolean changes) {
        return items.slice(filter.view(propertyId, order), from, count, new ItemRow.Details(parts, changes));
    }

    @GetMapping("/properties/{propertyId}/items/ids")
    long[] itemIds(
            @PathVariable long propertyId,
            @ParameterObject FilterForm filter,
            @ParameterObject OrderForm order,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "100") int count) {
        return items.ids(filter.view(propertyId, order), from, count);
    }

    /** A rectangle of a table as the clipboard takes it: cells between tabs, quoted where they must be. */
    @GetMapping(path = "/properties/{propertyId}/items/copy", produces = "text/tab-separated-values")
    ResponseEntity<StreamingResponseBody> copy(
            @PathVariable long propertyId,
            @ParameterObject FilterForm filter,
            @ParameterObject OrderForm order,
            @RequestParam List<CopiedColumn> columns,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "100") int count) {
        ItemView view = filter.view(propertyId, order);
        StreamingResponseBody body = out -> {
            try (CsvText tsv = CsvText.faithful(new OutputStreamWriter(out, StandardCharsets.UTF_8), '\t')) {
                items.forEach(
                        view,
                        from,
                        count,
                        new ItemRow.Details(columns.stream().anyMatch(CopiedColumn::isPart), false),
                        row -> tsv.row(
                                columns.stream().map(column -> column.of(row)).toArray()));
            }
        };
        return ResponseEntity.ok().body(body);
    }

    @GetMapping("/properties/{propertyId}/sections")
    List<Items.Section> sections(@PathVariable long propertyId) {
        return items.sections(propertyId);
    }

    /** @param other null where the property's language is right, or nothing tells */
    record LanguageView(@Nullable Items.OtherLanguage other) {}

    @GetMapping("/properties/{propertyId}/language")
    LanguageView language(@PathVariable long propertyId) {
        return new LanguageView(items.otherLanguage(propertyId).orElse(null));
    }

    @GetMapping("/items/{id}")
    ItemRow item(@PathVariable long id) {
        return items.row(id);
    }

    @GetMapping({"/properties/{propertyId}/items.csv", "/properties/{propertyId}/items.xlsx"})
    ResponseEntity<StreamingResponseBody> csv(
            @PathVariable long propertyId, @ParameterObject FilterForm filter, @ParameterObject OrderForm order) {
        ItemView view = filter.view(propertyId, order);
        return Rows.download("items", csv -> write(view, csv));
    }

    private void write(ItemView view, Rows csv) {
        csv.row(
                "address",
                "status",
                "indexable",
                "title",
                "title_px",
                "title_chars",
                "title_draft",
                "description",
                "description_px",
                "description_chars",
                "description_draft",
                "tags",
                "tags_draft",
                "h1",
                "links_in",
                "depth",
                "keyword",
                "findings");
        items.forEach(
                view,
                row -> csv.row(
                        row.address(),
                        row.page().status(),
                        row.indexing().noindex() == null ? "yes" : "no",
                        row.title().captured(),
                        Math.round(row.title().fit().px()),
                        row.title().fit().chars(),
                        row.title().draft(),
                        row.description().captured(),
                        Math.round(row.description().fit().px()),
                        row.description().fit().chars(),
                        row.description().draft(),
                        row.tags() == null ? "" : row.tags().captured(),
                        row.tags() == null ? "" : row.tags().draft(),
                        row.page().h1(),
                        row.page().linksIn(),
                        row.page().depth() < 0 ? "" : row.page().depth(),
                        row.aim() == null ? "" : row.aim().keyword(),
                        String.join(
                                "; ",
                                row.findings().stream()
                                        .map(f -> f.field() + " " + f.check())
                                        .toList())));
    }
}
