package lucidsweep.server.intake;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.core.keyword.Volume;
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
        List<String> head = first.get(0);
        List<Meaning> named = named(kind, head);
        List<Meaning> unnamed = byCells(kind, head);
        boolean header = isAnyKnown(named) || !isAnyKnown(unnamed);
        List<Meaning> meanings = header ? named : unnamed;
        List<String> columns = header
                ? head
                : IntStream.rangeClosed(1, head.size())
                        .mapToObj(i -> "column " + i)
                        .toList();
        return new Mapping(columns, meanings, header, order(meanings, first));
    }

    private static boolean isAnyKnown(List<Meaning> meanings) {
        return meanings.stream().anyMatch(meaning -> meaning != Meaning.UNUSED);
    }

    private static List<Meaning> named(RowKind kind, List<String> head) {
        List<Meaning> found = new ArrayList<>();
        for (String name : head) {
            String plain = name.toLowerCase(Locale.ROOT)
                    .replaceAll("[^\\p{L}\\p{N}]+", " ")
                    .strip();
            Meaning meaning = Meaning.UNUSED;
            for (Meaning each : kind.meanings()) {
                if (meaning == Meaning.UNUSED && each.isNamed(plain) && !found.contains(each)) meaning = each;
            }
            if (meaning == Meaning.UNUSED && kind == RowKind.KEYWORDS && month(name) != null) meaning = Meaning.MONTH;
            found.add(meaning);
        }
        return found;
    }

    /** What a file without names is likely to hold: lists of addresses and lists of phrases often are so. */
    private static List<Meaning> byCells(RowKind kind, List<String> cells) {
        List<Meaning> found = new ArrayList<>();
        for (String cell : cells) {
            boolean address = cell.strip().matches("https?://\\S+");
            boolean count = !cell.isBlank() && Volume.parse(cell).isPresent();
            Meaning meaning = Meaning.UNUSED;
            if (kind.isItem() && address) meaning = Meaning.ADDRESS;
            else if (kind == RowKind.PAGES && found.contains(Meaning.ADDRESS)) {
                meaning = found.contains(Meaning.TITLE) ? Meaning.DESCRIPTION : Meaning.TITLE;
            } else if (kind == RowKind.KEYWORDS) {
                meaning = !found.contains(Meaning.KEYWORD)
                        ? Meaning.KEYWORD
                        : count && !found.contains(Meaning.VOLUME) ? Meaning.VOLUME : Meaning.COMPETITION;
            }
            found.add(found.contains(meaning) ? Meaning.UNUSED : meaning);
        }
        return found;
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

    /** What rows of the kind need and no column holds. */
    public List<Meaning> missing(RowKind kind) {
        return kind.needed().stream()
                .filter(needed -> !meanings.contains(needed))
                .toList();
    }

    public boolean isComplete(RowKind kind) {
        return missing(kind).isEmpty();
    }

    /** Says in words what is missing or twice; nothing where rows of the kind can be read. */
    public void check(RowKind kind) {
        for (Meaning needed : missing(kind)) {
            throw Refusal.badInput("no column looks like the " + needed.code() + "; the columns are: "
                    + String.join(", ", columns.stream().limit(30).toList()));
        }
        for (Meaning meaning : meanings) {
            boolean once = meaning != Meaning.UNUSED && meaning != Meaning.MONTH;
            if (once && meanings.indexOf(meaning) != meanings.lastIndexOf(meaning)) {
                throw Refusal.badInput("two columns are both taken for the " + meaning.code());
            }
        }
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
        at.sort(Comparator.comparing(i -> month(columns.get(i)) == null ? "" : month(columns.get(i))));
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
        String last = at.isEmpty() ? null : month(columns.get(at.get(at.size() - 1)));
        return last != null && last.matches("\\d{4}-\\d{2}") ? last : "";
    }

    /** The month that a name tells, in an order that sorts; null where it tells none. */
    private static String month(String name) {
        String plain = name.strip().toLowerCase(Locale.ROOT).replaceFirst("^(searches|volume|month)[:\\s_-]+", "");
        if (plain.matches("\\d{1,2}") && !name.strip().equals(plain)) return "%02d".formatted(Integer.parseInt(plain));
        return WrittenDate.month(plain).orElse(null);
    }
}
