package lucidsweep.server.item.table;

import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;

/** The columns of a table of items that can be copied out, by the names that tables have for them. */
enum CopiedColumn {
    address(ItemRow::address),
    title(row -> row.title().text()),
    description(row -> row.description().text()),
    tags(row -> row.tags() == null ? "" : row.tags().text()),
    keyword(row -> row.aim() == null ? "" : row.aim().keyword()),
    h1(row -> row.textOfPage(Field.H1)),
    slug(row -> row.textOfPage(Field.SLUG)),
    indexing(row -> row.textOfPage(Field.INDEXING)),
    links(row -> row.page().linksIn()),
    published(row -> row.listing().published()),
    views(row -> row.listing().views()),
    findings(row -> row.findings().stream()
            .map(finding -> finding.field() + " " + finding.check())
            .collect(Collectors.joining("; ")));

    private final Function<ItemRow, Object> cell;

    CopiedColumn(Function<ItemRow, Object> cell) {
        this.cell = cell;
    }

    Object of(ItemRow row) {
        return cell.apply(row);
    }
}
