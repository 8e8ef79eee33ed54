package lucidsweep.server.release;

import lucidsweep.core.item.PartTexts;
import lucidsweep.server.web.Rows;

/** A handover as a table: a row for each text before and after, and for each image or link whose text changes. */
final class TextTable {

    private TextTable() {}

    static void write(HandoverLines lines, Rows rows) {
        boolean withParts = lines.haveParts();
        if (withParts) rows.row("address", "field", "part", "before", "after");
        else rows.row("address", "field", "before", "after");
        lines.forEachItem(item -> item.forEach(line -> {
            if (PartTexts.areOf(line.field())) writeParts(line, rows);
            else if (withParts) rows.row(line.address(), line.field().code(), "", line.before(), line.after());
            else rows.row(line.address(), line.field().code(), line.before(), line.after());
        }));
    }

    private static void writeParts(ReleaseMapper.Line line, Rows rows) {
        for (PartTexts.Change part : PartTexts.changes(line.before(), line.after())) {
            rows.row(line.address(), line.field().code(), part.address(), part.before(), part.after());
        }
    }
}
