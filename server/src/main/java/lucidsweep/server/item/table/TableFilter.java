package lucidsweep.server.item.table;

import java.util.BitSet;
import java.util.List;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.draft.FieldId;

/** Finds the rows of a table that a filter means. */
final class TableFilter {

    private final ItemColumns columns;

    TableFilter(ItemColumns columns) {
        this.columns = columns;
    }

    /** The rows that a filter means; its set apart. */
    BitSet rows(ItemFilter filter) {
        BitSet wanted = new BitSet(columns.size);
        if (filter.ids() == null) wanted.set(0, columns.size);
        else
            for (long id : filter.ids()) {
                int row = columns.row(id);
                if (row >= 0) wanted.set(row);
            }
        if ("yes".equals(filter.indexable())) wanted.and(columns.indexable);
        if ("no".equals(filter.indexable())) wanted.andNot(columns.indexable);
        if (given(filter.section())) {
            int number = columns.sections.find(filter.section());
            RowTest.keep(wanted, row -> columns.section.get(row) == number);
        }
        if (given(filter.check())) keepWithFinding(wanted, filter);
        if (filter.life() != null) keepByLife(wanted, filter);
        if (given(filter.state())) keepDrafted(wanted, filter);
        if (given(filter.target())) keepAimed(wanted, filter.target());
        if (given(filter.q())) {
            byte[] part = TextColumn.folded(filter.q());
            BitSet exactly = filter.q().contains("://") ? rowsAt(part) : new BitSet();
            if (exactly.isEmpty()) RowTest.keepOnAllCores(wanted, row -> holds(row, part));
            else wanted.and(exactly);
        }
        return wanted;
    }

    /** Whoever asks for the whole address of an item means that item and not those below it. */
    private BitSet rowsAt(byte[] wanted) {
        BitSet rows = new BitSet();
        for (int row = 0; row < columns.size; row++) if (columns.address.is(row, wanted)) rows.set(row);
        return rows;
    }

    private void keepWithFinding(BitSet wanted, ItemFilter filter) {
        boolean any = filter.check().equals(ItemFilter.ANY);
        boolean[] having = columns.findingSets.having(mark ->
                (any ? !mark.check().equals(NotIndexable.CODE) : mark.check().equals(filter.check()))
                        && (filter.field() == null || mark.field() == filter.field())
                        && (!given(filter.shared()) || mark.shared().equals(filter.shared())));
        RowTest.keep(wanted, row -> having[columns.findingSet.get(row)]);
        boolean ofHidden = filter.field() == Field.INDEXING || !any && Checks.isOfHidden(filter.check());
        if (!ofHidden) wanted.and(columns.indexable);
    }

    /** Those with a finding of the filter's check that came after a moment, or came back. */
    private void keepByLife(BitSet wanted, ItemFilter filter) {
        boolean any = !given(filter.check()) || filter.check().equals(ItemFilter.ANY);
        RowTest.keep(wanted, row -> {
            List<Mark> marks = columns.findings(row);
            boolean[] counting = columns.findingSets.counting(columns.findingSet.get(row), columns.indexable.get(row));
            for (int i = 0; i < counting.length; i++) {
                Mark mark = marks.get(i);
                boolean meant = (any || mark.check().equals(filter.check()))
                        && (filter.field() == null || mark.field() == filter.field());
                if (meant && counting[i] && filter.life().has(columns.lives.since(row, i))) return true;
            }
            return false;
        });
    }

    private void keepDrafted(BitSet wanted, ItemFilter filter) {
        int state = filter.state().equals(ItemFilter.ANY) ? 0 : ItemColumns.number(DraftState.of(filter.state()));
        int only = filter.field() == null ? ItemColumns.NONE : FieldId.FIELDS.indexOf(filter.field());
        RowTest.keep(wanted, row -> {
            for (int field = 0; field < FieldId.FIELDS.size(); field++) {
                int found = columns.states(field).get(row);
                if ((only == ItemColumns.NONE || only == field) && (state > 0 ? found == state : found != 0))
                    return true;
            }
            return false;
        });
    }

    private void keepAimed(BitSet wanted, String target) {
        switch (target) {
            case "with" -> RowTest.keep(wanted, row -> columns.keyword.get(row) != ItemColumns.NONE);
            case "without" -> RowTest.keep(wanted, row -> columns.keyword.get(row) == ItemColumns.NONE);
            default -> {
                int number = columns.keywords.find(Long.parseLong(target));
                RowTest.keep(wanted, row -> number != ItemColumns.NONE && columns.keyword.get(row) == number);
            }
        }
    }

    private boolean holds(int row, byte[] part) {
        return columns.address.contains(row, part)
                || columns.fields[0].text.contains(row, part)
                || columns.fields[1].text.contains(row, part)
                || columns.fields[2].text.contains(row, part);
    }

    private static boolean given(String text) {
        return text != null && !text.isEmpty();
    }
}
