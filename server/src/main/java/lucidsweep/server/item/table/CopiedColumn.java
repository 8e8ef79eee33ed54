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
    images(row -> row.textOfPage(Field.IMAGES)),
    links(row -> row.textOfPage(Field.LINKS)),
    ogtitle(row -> row.textOfPage(Field.OG_TITLE)),
    ogdescription(row -> row.textOfPage(Field.OG_DESCRIPTION)),
    linksIn(row -> row.page().linksIn()),
    published(row -> row.listing().published()),
    views(row -> row.listing().views()),
    findings(row -> row.findings().stream()
            .map(finding -> finding.field() + " " + finding.check())
            .collect(Collectors.joining("; ")));

    private final Function<ItemRow, Object> cell;

    CopiedColumn(Function<ItemRow, Object> cell) {
        this.cell = cell;
    }

    /** Whether it stands only in what was captured of a page. */
    boolean isPart() {
        return switch (this) {
            case images, links, ogtitle, ogdescription -> true;
            default -> false;
        };
    }

    Object of(ItemRow row) {
        return cell.apply(row);
    }
}
