package lucidsweep.server.gather.imports;

import java.util.List;
import java.util.stream.Stream;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Property;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.item.capture.CapturedItem;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;

/** Makes items of the rows of a file. */
final class ImportedItem {

    private static final int OK = 200;
    private static final int LONGEST_TEXT = 20_000;

    private final Property property;
    private final long sweepId;
    private final Standard standard;
    private final int pricePlace;
    private final ObjectWriter json;

    ImportedItem(Property property, long sweepId, Mapping mapping, JsonMapper json) {
        pricePlace = mapping.meanings().indexOf(Meaning.PRICE);
        this.property = property;
        this.sweepId = sweepId;
        this.json = json.writerFor(ImportShape.Row.class);
        standard = property.standard();
    }

    CapturedItem of(IntakeRow row, List<String> cells) {
        String identity = Stream.of(identities())
                .map(row::get)
                .filter(value -> !value.isEmpty())
                .findFirst()
                .orElseThrow();
        String address = row.get(Meaning.ADDRESS).isEmpty() ? identity : row.get(Meaning.ADDRESS);
        String section = row.get(Meaning.GROUP);
        if (section.isEmpty() && isPage()) section = PageAddress.section(address);
        return new CapturedItem(
                property.id(),
                sweepId,
                clip(address, 2_100),
                identity,
                clip(section, 300),
                null,
                CapturedItem.Page.ofFile(),
                new CapturedItem.Listing(
                        clip(price(cells), 100),
                        row.get(Meaning.PUBLISHED),
                        row.get(Meaning.MODIFIED),
                        count(row, Meaning.VIEWS),
                        count(row, Meaning.FAVOURITES)),
                text(Field.TITLE, row.get(Meaning.TITLE)),
                text(Field.DESCRIPTION, row.get(Meaning.DESCRIPTION)),
                property.hasTags()
                        ? CapturedItem.Text.of(Field.TAGS, 1, clip(row.get(Meaning.TAGS), LONGEST_TEXT), standard)
                        : null,
                CapturedItem.Content.ofRow(
                        json.writeValueAsString(new ImportShape.Row(cells)), row.get(Meaning.DESCRIPTION)));
    }

    /** As it is written, with the currency: recipes put it into texts. */
    private String price(List<String> cells) {
        return pricePlace < 0 ? "" : cells.get(pricePlace).strip();
    }

    private boolean isPage() {
        return !property.hasTags();
    }

    private Meaning[] identities() {
        return isPage() ? new Meaning[] {Meaning.ADDRESS} : new Meaning[] {Meaning.ID, Meaning.ADDRESS, Meaning.TITLE};
    }

    private CapturedItem.Text text(Field field, String text) {
        return CapturedItem.Text.of(field, text.isEmpty() ? 0 : 1, clip(text, LONGEST_TEXT), standard);
    }

    private static Long count(IntakeRow row, Meaning meaning) {
        return row.get(meaning).isEmpty() ? null : Long.valueOf(row.get(meaning));
    }

    private static String clip(String text, int max) {
        return text.length() <= max ? text : text.substring(0, max);
    }
}
