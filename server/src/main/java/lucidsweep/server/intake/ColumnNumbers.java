package lucidsweep.server.intake;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.column.DecimalMark;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.Meaning.Type;
import lucidsweep.core.text.WrittenNumber;
import lucidsweep.server.table.TableFile;

/** How the numbers of each column are written: told by the column, else by the other columns of the file. */
final class ColumnNumbers {

    private static final int ROWS = 2_000;

    private final DecimalMark[] marks;
    private boolean percent;

    private ColumnNumbers(int columns) {
        marks = new DecimalMark[columns];
    }

    static ColumnNumbers of(Mapping mapping, TableFile table) {
        ColumnNumbers numbers = new ColumnNumbers(mapping.meanings().size());
        List<List<String>> rows = table.first(ROWS);
        List<String> all = new ArrayList<>();
        for (int i = 0; i < mapping.meanings().size(); i++) {
            Meaning meaning = mapping.meanings().get(i);
            List<String> cells = isNumber(meaning) ? cells(rows, mapping.header() ? 1 : 0, i) : List.of();
            numbers.marks[i] = DecimalMark.told(cells).orElse(null);
            all.addAll(cells);
            if (meaning == Meaning.CTR) numbers.percent = cells.stream().anyMatch(numbers::isPercent);
        }
        DecimalMark usual = table.delimiterChar() == ';' ? DecimalMark.COMMA : null;
        DecimalMark otherwise = DecimalMark.told(all).orElse(usual);
        for (int i = 0; i < numbers.marks.length; i++) if (numbers.marks[i] == null) numbers.marks[i] = otherwise;
        return numbers;
    }

    private static boolean isNumber(Meaning meaning) {
        return meaning.type() == Type.COUNT || meaning.type() == Type.DECIMAL;
    }

    private static List<String> cells(List<List<String>> rows, int from, int column) {
        return rows.stream()
                .skip(from)
                .filter(row -> column < row.size())
                .map(row -> row.get(column))
                .toList();
    }

    private boolean isPercent(String text) {
        return text.contains("%")
                || WrittenNumber.plain(text)
                        .filter(number -> Double.parseDouble(number) > 1)
                        .isPresent();
    }

    /** A number with a point before its decimals and nothing between its thousands. */
    String plain(int column, String text) {
        return marks[column] == null ? text : marks[column].plain(text);
    }

    /** A share from 0 to 1 of a cell such as "3.4%"; "" where it is none. */
    String share(int column, String text) {
        return WrittenNumber.plain(plain(column, text))
                .map(number -> String.valueOf(Double.parseDouble(number) / (percent ? 100 : 1)))
                .orElse("");
    }
}
