package lucidsweep.server.rewrite.sheet;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.item.Field;
import lucidsweep.core.text.FormulaGuard;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.table.RowReader;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;

/** What came back in a writers' sheet: the cells in which somebody wrote something. */
final class ReturnedSheet implements RowReader {

    private static final int MAX_TEXTS = 50_000;

    private final Map<Field, List<Text>> texts = new EnumMap<>(Field.class);
    private final List<String> notes = new ArrayList<>();
    private final Set<String> seen = new HashSet<>();
    private SheetHeader header;
    private int rows;
    private int count;

    private ReturnedSheet() {}

    /**
     * A text that somebody wrote.
     *
     * @param now what the field said when the sheet went out
     */
    record Text(long itemId, String now, String after) {}

    static ReturnedSheet of(TableFile file) {
        ReturnedSheet sheet = new ReturnedSheet();
        file.read(sheet);
        if (sheet.header == null) throw Refusal.badInput("there is no row of column names in the sheet");
        return sheet;
    }

    @Override
    public void row(long line, List<String> cells) {
        if (header == null) {
            header = SheetHeader.of(cells);
            return;
        }
        rows++;
        String number = cells.get(header.item()).strip().replaceFirst("\\.0+$", "");
        if (!number.matches("\\d{1,18}")) {
            note("Line " + line + ": expected the number of an item, got “" + number + "”.");
            return;
        }
        long item = Long.parseLong(number);
        header.places().forEach((field, places) -> {
            String now = FormulaGuard.unguarded(cells.get(places.now()));
            String after = FormulaGuard.unguarded(cells.get(places.after()));
            boolean written = !after.isBlank() && !Spaces.closedUp(after).equals(Spaces.closedUp(now));
            if (!written) return;
            if (!seen.add(item + " " + field)) {
                note("Line " + line + ": the " + field.label()
                        + " of this item stands in the sheet twice; the first counts.");
                return;
            }
            if (++count > MAX_TEXTS) throw Refusal.badInput("expected at most 50,000 new texts in a sheet");
            texts.computeIfAbsent(field, any -> new ArrayList<>()).add(new Text(item, now, after));
        });
    }

    @Override
    public void unreadable(long line, String reason) {
        note("Line " + line + ": " + reason);
    }

    private void note(String what) {
        notes.add(what);
    }

    /** What was written, by field. */
    Map<Field, List<Text>> texts() {
        return texts;
    }

    int rows() {
        return rows;
    }

    /** What could not be read, and why. */
    List<String> notes() {
        return notes;
    }
}
