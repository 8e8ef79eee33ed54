package lucidsweep.core.column;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * What the columns of a table hold, told by their names and by their cells together.
 *
 * @param header whether the first row holds their names
 */
public record GuessedColumns(boolean header, List<GuessedColumn> columns) {

    private static final int CELLS = 200;
    /** How sure a guess must be at least. */
    static final double ENOUGH = 0.35;

    private static final int LONGEST_SAMPLE = 60;
    private static final Pattern NUMBERED_MONTH =
            Pattern.compile("(?:searches|volume|month|monat|mois|mes|mese|maand|miesiac)[:\\s_-]+(\\d{1,2})");

    private record Candidate(int column, Meaning meaning, double sure) {}

    /**
     * Guesses for rows of a kind.
     *
     * @param rows the first of the table, that of the names first where there is one
     */
    public static GuessedColumns of(RowKind kind, List<List<String>> rows) {
        return of(List.of(kind), rows).get(kind);
    }

    /** The same for rows of several kinds: the cells, which are most of the work, are looked at once. */
    public static Map<RowKind, GuessedColumns> of(List<RowKind> kinds, List<List<String>> rows) {
        boolean header = TableStart.hasNames(rows);
        int width = rows.stream().mapToInt(List::size).max().orElse(0);
        List<String> names = IntStream.range(0, width)
                .mapToObj(i -> header && i < rows.get(0).size() ? rows.get(0).get(i) : "column " + (i + 1))
                .toList();
        List<CellProfile> cells = IntStream.range(0, width)
                .mapToObj(i -> CellProfile.of(sample(rows, header ? 1 : 0, i)))
                .toList();
        Map<RowKind, GuessedColumns> guessed = new EnumMap<>(RowKind.class);
        for (RowKind kind : kinds) {
            guessed.put(kind, new GuessedColumns(header, assigned(kind, header, names, cells)));
        }
        return guessed;
    }

    private static List<String> sample(List<List<String>> rows, int from, int column) {
        int step = Math.max(1, (rows.size() - from) / CELLS);
        List<String> cells = new ArrayList<>();
        for (int i = from; i < rows.size() && cells.size() < CELLS; i += step) {
            if (column < rows.get(i).size()) cells.add(rows.get(i).get(column));
        }
        return cells;
    }

    private static List<GuessedColumn> assigned(
            RowKind kind, boolean header, List<String> names, List<CellProfile> cells) {
        Candidate[] taken = new Candidate[names.size()];
        Set<Meaning> given = EnumSet.noneOf(Meaning.class);
        for (Candidate each : candidates(kind, header, names, cells)) {
            boolean free =
                    taken[each.column] == null && (each.meaning == Meaning.MONTH || !given.contains(each.meaning));
            if (!free) continue;
            taken[each.column] = each;
            given.add(each.meaning);
        }
        List<GuessedColumn> columns = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            columns.add(
                    taken[i] == null
                            ? new GuessedColumn(names.get(i), Meaning.UNUSED, 0)
                            : new GuessedColumn(names.get(i), taken[i].meaning, taken[i].sure));
        }
        return columns;
    }

    /** All that fit well enough, the surest first. */
    private static List<Candidate> candidates(
            RowKind kind, boolean header, List<String> names, List<CellProfile> cells) {
        List<Candidate> found = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            for (Meaning meaning : kind.meanings()) {
                double sure = header
                        ? sure(kind, names.get(i), cells.get(i), meaning, i)
                        : ByCells.ofUnnamed(kind, cells.get(i), meaning, i);
                if (sure >= ENOUGH) found.add(new Candidate(i, meaning, sure));
            }
        }
        found.sort(Comparator.comparingDouble((Candidate each) -> -each.sure));
        return found;
    }

    private static double sure(RowKind kind, String name, CellProfile cells, Meaning meaning, int column) {
        double named = ByName.sure(kind, name, cells, meaning);
        return named >= ENOUGH ? named : Math.max(named, ByCells.ofNamed(name, cells, meaning, column));
    }

    /** The month that the name of a column tells: "2025-03" or, after a word such as "month", its number "03". */
    public static Optional<String> month(String name) {
        Optional<String> month = MonthName.of(name);
        if (month.isPresent()) return month;
        Matcher numbered = NUMBERED_MONTH.matcher(name.strip().toLowerCase(Locale.ROOT));
        return numbered.matches()
                ? Optional.of("%02d".formatted(Integer.parseInt(numbered.group(1))))
                : Optional.empty();
    }

    /** The first cell of a column that is not empty; "" where all of the first are. */
    public String sample(List<List<String>> rows, int column) {
        return filled(rows, column).findFirst().orElse("");
    }

    /** Of all rows, not of a sample: "all are empty" must be true of those that were looked at. */
    private Stream<String> filled(List<List<String>> rows, int column) {
        return rows.stream()
                .skip(header ? 1 : 0)
                .filter(row -> column < row.size())
                .map(row -> row.get(column))
                .filter(CellProfile::isFilled);
    }

    /**
     * What should be asked before rows are taken in: texts that no column was taken for, and those that are empty in all of
     * the first rows.
     *
     * @param meanings what the columns are taken for by now
     */
    public List<ColumnQuestion> questions(RowKind kind, List<Meaning> meanings, List<List<String>> rows) {
        List<ColumnQuestion> questions = new ArrayList<>();
        Set<Integer> named = new HashSet<>();
        for (Meaning meaning : kind.expected()) {
            if (!isEmpty(meaning, meanings, rows)) continue;
            ColumnQuestion question = question(meaning, meanings, rows, named);
            named.add(question.column());
            questions.add(question);
        }
        return questions;
    }

    private boolean isEmpty(Meaning meaning, List<Meaning> meanings, List<List<String>> rows) {
        int at = meanings.indexOf(meaning);
        return at < 0 || filled(rows, at).findAny().isEmpty();
    }

    private ColumnQuestion question(
            Meaning meaning, List<Meaning> meanings, List<List<String>> rows, Set<Integer> named) {
        String plural = meaning == Meaning.TAGS ? "tags" : meaning.code() + "s";
        int at = meanings.indexOf(meaning);
        if (at >= 0) {
            return new ColumnQuestion(
                    meaning,
                    -1,
                    "All " + plural + " are empty in “" + columns.get(at).name() + "”.");
        }
        int likeliest = likeliest(meaning, meanings, rows, named);
        if (likeliest < 0) return new ColumnQuestion(meaning, -1, "No " + plural + " were found.");
        String sample = sample(rows, likeliest);
        String clipped = sample.length() <= LONGEST_SAMPLE ? sample : sample.substring(0, LONGEST_SAMPLE) + "…";
        String name = columns.get(likeliest).name();
        String sentence = "No %s were found; is it “%s” (such as “%s”)?".formatted(plural, name, clipped);
        return new ColumnQuestion(meaning, likeliest, sentence);
    }

    /** The column not used, and not asked about yet, that looks most like something; -1 where none does. */
    private int likeliest(Meaning meaning, List<Meaning> meanings, List<List<String>> rows, Set<Integer> named) {
        double best = meaning == Meaning.TITLE ? 0.5 : 0.6;
        int found = -1;
        for (int i = 0; i < columns.size(); i++) {
            if (meanings.get(i) != Meaning.UNUSED || named.contains(i)) continue;
            CellProfile cells = CellProfile.of(sample(rows, header ? 1 : 0, i));
            double fit = cells.count() == 0 || cells.words() < 2 ? 0 : CellFit.of(cells, meaning);
            if (fit > best) {
                best = fit;
                found = i;
            }
        }
        return found;
    }
}
