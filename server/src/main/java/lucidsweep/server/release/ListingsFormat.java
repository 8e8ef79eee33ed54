package lucidsweep.server.release;

import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.gather.imports.ImportShape;
import lucidsweep.server.gather.imports.Imports;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.CsvText;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Rows as they were imported, with the delivered texts in their columns. */
@Component
@Order(10)
final class ListingsFormat implements HandoverFormat {

    private final Imports imports;
    private final Items items;
    private final JsonMapper json;

    ListingsFormat(Imports imports, Items items, JsonMapper json) {
        this.imports = imports;
        this.items = items;
        this.json = json;
    }

    @Override
    public String code() {
        return "listings";
    }

    @Override
    public String ending() {
        return "csv";
    }

    @Override
    public String mediaType() {
        return "text/csv; charset=utf-8";
    }

    @Override
    public Optional<String> objection(Property property) {
        return imports.isFilledFromFile(property.id())
                ? Optional.empty()
                : Optional.of("this property was not filled from a file, so there is no file format to deliver it in");
    }

    @Override
    public boolean holds(Property property, Field field) {
        return imports.shape(property.id()).of(field.code()) >= 0;
    }

    @Override
    public boolean isUsualFor(Property property) {
        return property.kind() != PropertyKind.WEBSITE;
    }

    @Override
    public void write(HandoverLines lines, OutputStream out) {
        ImportShape shape = imports.shape(lines.handover().propertyId());
        try (CsvText csv = CsvText.faithful(new OutputStreamWriter(out, StandardCharsets.UTF_8), shape.delimiter())) {
            shape.above().forEach(cells -> csv.row(cells.toArray()));
            if (shape.header()) csv.row(shape.columns().toArray());
            lines.forEachChunk(some -> {
                Map<Long, String> facts = items.facts(
                        some.stream().map(item -> item.get(0).itemId()).toList());
                some.forEach(item -> csv.row(
                        row(item, facts.get(item.get(0).itemId()), shape).toArray()));
            });
        }
    }

    private List<String> row(List<ReleaseMapper.Line> item, String captured, ImportShape shape) {
        List<String> cells =
                new ArrayList<>(json.readValue(captured, ImportShape.Row.class).cells());
        while (cells.size() < shape.columns().size()) cells.add("");
        for (ReleaseMapper.Line line : item) {
            cells.set(shape.of(line.field().code()), line.after());
        }
        return cells.subList(0, shape.columns().size());
    }
}
