package lucidsweep.server.intake;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.core.column.GuessedColumn;
import lucidsweep.core.column.GuessedColumns;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.web.Refusal;

/**
 * What the columns of a file hold.
 *
 * @param columns their names as the file has them, or "column 1" and so on
 * @param meanings one for each
 * @param header whether the first row holds the names
 * @param dates the order of day and month; null where no date tells it and it matters
 */
public record Mapping(List<String> columns, List<Meaning> meanings, boolean header, WrittenDate.Order dates) {

    /** Guesses from the names of the columns and from the first rows. */
    public static Mapping guess(RowKind kind, List<List<String>> first) {
        return of(GuessedColumns.of(kind, first), first);
    }

    /** The same of columns whose meanings were guessed. */
    public static Mapping of(GuessedColumns guessed, List<List<String>> first) {
        List<Meaning> meanings =
                guessed.columns().stream().map(GuessedColumn::meaning).toList();
        List<String> names = guessed.columns().stream().map(GuessedColumn::name).toList();
        return new Mapping(names, meanings, guessed.header(), order(meanings, first));
    }

    /** The order of day and month that the dates in some rows tell; null where they could have either. */
    public static WrittenDate.Order order(List<Meaning> meanings, List<List<String>> rows) {
        boolean ambiguous = false;
        for (List<String> row : rows) {
            for (int i = 0; i < Math.min(row.size(), meanings.size()); i++) {
                if (meanings.get(i).type() != Meaning.Type.DATE) continue;
                Optional<WrittenDate.Order> only = WrittenDate.onlyOrder(row.get(i));
                if (only.isPresent()) return only.get();
                ambiguous |= WrittenDate.isAmbiguous(row.get(i));
            }
        }
        return ambiguous ? null : WrittenDate.Order.DAY_FIRST;
    }

    /** What rows of the kind need and no column holds; of each list one would be enough. */
    public List<List<Meaning>> missing(RowKind kind) {
        return kind.needed().stream()
                .filter(needed -> needed.stream().noneMatch(meanings::contains))
                .toList();
    }

    public boolean isComplete(RowKind kind) {
        return missing(kind).isEmpty();
    }

    /** Says in words what is missing or twice; nothing where rows of the kind can be read. */
    public void check(RowKind kind) {
        for (List<Meaning> needed : missing(kind)) {
            throw Refusal.badInput("no column looks like the " + either(needed) + "; the columns are: "
                    + String.join(", ", columns.stream().limit(30).toList()));
        }
        for (Meaning meaning : meanings) {
            boolean once = meaning != Meaning.UNUSED && meaning != Meaning.MONTH;
            if (once && meanings.indexOf(meaning) != meanings.lastIndexOf(meaning)) {
                throw Refusal.badInput("two columns are marked as the " + meaning.code());
            }
        }
    }

    /** Such as "query or address". */
    public static String either(List<Meaning> meanings) {
        return meanings.stream().map(Meaning::code).collect(Collectors.joining(" or "));
    }

    /** The same with the meanings put right. */
    public Mapping with(List<Meaning> corrected, WrittenDate.Order order) {
        if (corrected.size() != columns.size()) {
            throw Refusal.badInput(
                    "expected a meaning for each of " + columns.size() + " columns, got " + corrected.size());
        }
        return new Mapping(columns, List.copyOf(corrected), header, order == null ? dates : order);
    }

    public int unknownColumns() {
        return (int)
                meanings.stream().filter(meaning -> meaning == Meaning.UNUSED).count();
    }

    /** Where the columns of months stand, the earliest first; as in the file where their names tell no month. */
    List<Integer> months() {
        List<Integer> at = IntStream.range(0, meanings.size())
                .filter(i -> meanings.get(i) == Meaning.MONTH)
                .boxed()
                .collect(Collectors.toList());
        at.sort(Comparator.comparing(i -> month(columns.get(i))));
        return at;
    }

    /** How many columns of months there are. */
    public int monthCount() {
        return (int)
                meanings.stream().filter(meaning -> meaning == Meaning.MONTH).count();
    }

    /** The last month that the name of a column tells, such as "2026-10"; "" where none tells its year. */
    public String lastMonth() {
        List<Integer> at = months();
        String last = at.isEmpty() ? "" : month(columns.get(at.get(at.size() - 1)));
        return last.matches("\\d{4}-\\d{2}") ? last : "";
    }

    /** The month that a name tells, in an order that sorts; "" where it tells none. */
    private static String month(String name) {
        return GuessedColumns.month(name).orElse("");
    }
}
