package lucidsweep.server.gather.imports;

import java.util.List;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;

/**
 * The shape of an imported file: its columns with their meanings, in their order; kept so that it can be handed back in it.
 *
 * @param above the rows above the table, such as a title, with their cells; none of files that earlier versions read
 */
public record ImportShape(
        RowKind kind,
        List<String> columns,
        List<Meaning> meanings,
        boolean header,
        WrittenDate.Order dates,
        char delimiter,
        List<List<String>> above) {

    public ImportShape {
        above = above == null ? List.of() : above;
    }

    /** The row of an item as it stood in its file; kept with its capture. */
    public record Row(List<String> cells) {}

    static ImportShape of(RowKind kind, Mapping mapping, TableFile table) {
        return new ImportShape(
                kind,
                mapping.columns(),
                mapping.meanings(),
                mapping.header(),
                mapping.dates(),
                table.delimiterChar(),
                table.rowsAbove());
    }

    /** Where the column of a field stands, "title" or "tags"; -1 where there is none. */
    public int of(String field) {
        for (int column = 0; column < meanings.size(); column++) {
            if (meanings.get(column).code().equals(field)) return column;
        }
        return -1;
    }

    Mapping mapping() {
        return new Mapping(columns, meanings, header, dates);
    }
}
