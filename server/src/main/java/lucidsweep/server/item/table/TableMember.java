package lucidsweep.server.item.table;

import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.SetMember;
import lucidsweep.core.set.Trait;

/** A row as sets see it; one for all rows in turn. */
final class TableMember implements SetMember {

    private final ItemColumns columns;
    private int row;

    TableMember(ItemColumns columns) {
        this.columns = columns;
    }

    TableMember at(int row) {
        this.row = row;
        return this;
    }

    @Override
    public long id() {
        return columns.ids[row];
    }

    @Override
    public String address() {
        return columns.address.text(row);
    }

    @Override
    public String section() {
        return columns.sections.name(columns.section.get(row));
    }

    @Override
    public String language() {
        return columns.languages.name(columns.language.get(row));
    }

    @Override
    public String tags() {
        return columns.fields[2].text.text(row);
    }

    @Override
    public String keyword() {
        int keyword = columns.keyword.get(row);
        return keyword == ItemColumns.NONE ? "" : columns.keywords.name(keyword);
    }

    @Override
    public double price() {
        return columns.prices[row];
    }

    @Override
    public double publishedDay() {
        return columns.published[row];
    }

    @Override
    public double changedDay() {
        return columns.modified[row];
    }

    @Override
    public List<String> titlePatterns() {
        return columns.findingSets.titled(columns.findingSet.get(row)).stream()
                .map(Trait::value)
                .toList();
    }

    @Override
    public boolean indexable() {
        return columns.indexable.get(row);
    }

    @Override
    public boolean hasFinding(Field field, String check) {
        for (Mark mark : columns.findings(row)) {
            if (mark.field() == field && mark.check().equals(check)) return true;
        }
        return false;
    }
}
