package lucidsweep.server.table;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.ObjLongConsumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.item.Field;

/**
 * Texts as we deliver them, one row a text, read as one row an item: a column for each field, with the text after the change.
 *
 * <pre>
 * address,field,before,after          address,title,description
 * /a,title,Oars,Oars of ash      →    /a,Oars of ash,By the day
 * /a,description,,By the day
 * </pre>
 */
final class DeliveredTexts implements TableFormat {

    private static final List<String> NAMES = List.of("address", "field", "before", "after");
    private static final List<String> NAMES_WITH_PARTS = List.of("address", "field", "part", "before", "after");

    private static final Set<String> FIELDS =
            Stream.of(Field.values()).map(Field::code).collect(Collectors.toSet());

    private final TableFormat format;
    private final int width;

    private DeliveredTexts(TableFormat format, int width) {
        this.format = format;
        this.width = width;
    }

    /** The items of a table where it is one of delivered texts, else the table itself. */
    static TableFormat itemsOf(TableFormat format) {
        List<FirstRows.Numbered> first = FirstRows.of(format::read, 1);
        List<String> names = first.isEmpty() ? List.of() : first.get(0).cells();
        return names.equals(NAMES) || names.equals(NAMES_WITH_PARTS)
                ? new DeliveredTexts(format, names.size())
                : format;
    }

    @Override
    public String encoding() {
        return format.encoding();
    }

    @Override
    public char delimiter() {
        return format.delimiter();
    }

    @Override
    public void read(RowReader reader) {
        Set<String> fields = new LinkedHashSet<>();
        format.read(new Texts((text, line) -> fields.add(text.get(1)), false, reader));
        List<String> columns = new ArrayList<>(List.of("address"));
        columns.addAll(fields);
        reader.row(1, columns);
        Items items = new Items(columns, reader);
        format.read(new Texts(items::add, true, reader));
        items.end();
    }

    /** Passes on the rows that are a text of a field. */
    private final class Texts implements RowReader {
        private final ObjLongConsumer<List<String>> text;
        private final boolean tells;
        private final RowReader reader;

        private Texts(ObjLongConsumer<List<String>> text, boolean tells, RowReader reader) {
            this.text = text;
            this.tells = tells;
            this.reader = reader;
        }

        @Override
        public void row(long line, List<String> cells) {
            if (line == 1) return;
            // A spreadsheet does not write empty cells at the end of a row.
            List<String> all = new ArrayList<>(cells);
            while (all.size() < width) all.add("");
            if (all.size() > width || all.get(0).isEmpty() || !FIELDS.contains(all.get(1))) {
                unreadable(line, "expected an address, a field and its text before and after");
            } else if (width == NAMES_WITH_PARTS.size() && !all.get(2).isEmpty()) {
                if (tells) reader.leftOut(line, "a text of an image or link");
            } else {
                text.accept(all, line);
            }
        }

        @Override
        public void unreadable(long line, String reason) {
            if (tells) reader.unreadable(line, reason);
        }
    }

    /** Puts the texts of an item, which stand one below the other, into one row. */
    private static final class Items {
        private final List<String> columns;
        private final RowReader reader;
        private String[] item;
        private long first;

        private Items(List<String> columns, RowReader reader) {
            this.columns = columns;
            this.reader = reader;
        }

        private void add(List<String> text, long line) {
            if (item == null || !item[0].equals(text.get(0))) {
                end();
                item = new String[columns.size()];
                Arrays.fill(item, "");
                item[0] = text.get(0);
                first = line;
            }
            item[columns.indexOf(text.get(1))] = text.get(text.size() - 1);
        }

        private void end() {
            if (item != null) reader.row(first, List.of(item));
        }
    }
}
