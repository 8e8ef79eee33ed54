package lucidsweep.core.column;

import java.util.List;
import lucidsweep.core.text.WrittenNumber;

/** Tells the rows of a table from what stands below it: a row that adds the others up, or a note. */
public final class TableEnd {

    private static final int COUNTED = 2_000;
    private static final int NARROWEST = 3;
    private static final int LONGEST_NUMBER = 30;

    private final double[] largest;
    private final int width;
    private int longest;
    private int rows;
    private int sparse;

    /** For a table of so many columns. */
    public TableEnd(int width) {
        this.width = width;
        largest = new double[width];
    }

    /** A row of the table. */
    public void row(List<String> cells) {
        if (rows >= COUNTED) return;
        rows++;
        if (hasOne(cells)) sparse++;
        longest = Math.max(longest, cells.get(0).length());
        for (int i = 0; i < Math.min(width, cells.size()); i++) {
            largest[i] = Math.max(largest[i], number(cells.get(i)));
        }
    }

    /** The number in a cell; 0 where it is none. */
    private static double number(String cell) {
        if (cell.length() > LONGEST_NUMBER || cell.chars().noneMatch(Character::isDigit)) return 0;
        return WrittenNumber.plain(cell).map(Double::parseDouble).orElse(0.0);
    }

    /** Whether a row may stand below the table, which it does where no row follows. */
    public boolean isBelow(List<String> cells) {
        return isTotal(cells) || isNote(cells);
    }

    /** Whether a row adds the others up: it says so, and is as large as the largest of them. */
    public boolean isTotal(List<String> cells) {
        String label = firstFilled(cells);
        if (width < 2 || rows == 0 || label.length() > 40 || !KnownNames.ALL.isTotal(label)) return false;
        for (int i = 0; i < Math.min(width, cells.size()); i++) {
            if (largest[i] > 0 && number(cells.get(i)) >= largest[i]) return true;
        }
        return hasOne(cells);
    }

    /** A sentence in a single cell of a table whose rows have more and shorter ones. */
    private boolean isNote(List<String> cells) {
        if (width < NARROWEST || rows == 0 || sparse * 5 >= rows || !hasOne(cells)) return false;
        String text = cells.get(0);
        return text.length() > longest && text.strip().split("\\s+").length >= 3 || text.startsWith("*");
    }

    private static String firstFilled(List<String> cells) {
        for (String cell : cells) if (!cell.isBlank()) return cell;
        return "";
    }

    /** Whether a row has one cell only; quick, since it is asked of every row. */
    private static boolean hasOne(List<String> cells) {
        int filled = 0;
        for (String cell : cells) if (!cell.isBlank() && ++filled > 1) return false;
        return filled == 1;
    }

    /** What a row below the table is, in words. */
    public String whatIs(List<String> cells) {
        String text = firstFilled(cells);
        String clipped = text.length() <= 60 ? text : text.substring(0, 60) + "…";
        return (KnownNames.ALL.isTotal(text) ? "a total: “" : "a note below the table: “") + clipped + "”";
    }
}
