package lucidsweep.server.item.table;

import java.io.IOException;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lucidsweep.core.item.DraftState;
import lucidsweep.server.item.draft.FieldId;

/** The columns of a table of items. Who uses them sees to it that nobody changes them meanwhile. */
final class ItemColumns {

    /** Where an item has no keyword. */
    static final int NONE = -1;

    int size;
    long[] ids = new long[1_024];
    final Dictionary sections = new Dictionary();
    final Dictionary keywords = new Dictionary();
    final Dictionary languages = new Dictionary();
    final IntColumn section = new IntColumn();
    final IntColumn place = new IntColumn();
    final IntColumn status = new IntColumn();
    final IntColumn depth = new IntColumn();
    final IntColumn linksIn = new IntColumn();
    final IntColumn keyword = new IntColumn();
    final IntColumn language = new IntColumn();
    float[] prices = new float[1_024];
    float[] published = new float[1_024];
    float[] modified = new float[1_024];
    final TagColumn tags = new TagColumn();
    final IntColumn findingSet = new IntColumn();
    final FindingSets findingSets = new FindingSets();
    final Places places = new Places();
    float[][] stakes = new float[1_024][];
    final LifeColumn lives = new LifeColumn();
    final BitSet indexable = new BitSet();
    final TextColumn address = new TextColumn();
    final TextColumn h1 = new TextColumn();

    /** Title, description and tags; of the fields behind them only how far their drafts are. */
    final FieldColumns[] fields = {new FieldColumns(), new FieldColumns(), new FieldColumns()};

    final ByteColumn[] moreStates = Stream.generate(ByteColumn::new)
            .limit(FieldId.FIELDS.size() - fields.length)
            .toArray(ByteColumn[]::new);

    /** Adds a row; rows come in the order of their ids. */
    void add(ItemTable.Line line) {
        if (size == ids.length) ids = Arrays.copyOf(ids, Math.max(1_024, size * 2));
        ids[size] = line.id();
        set(size++, line);
    }

    void set(int row, ItemTable.Line line) {
        address.set(row, line.address());
        h1.set(row, line.h1());
        section.set(row, sections.number(line.section()));
        place.set(row, places.number(line));
        status.set(row, line.status());
        depth.set(row, line.place().depth());
        linksIn.set(row, line.place().linksIn());
        language.set(row, languages.number(line.traits().language()));
        if (row >= prices.length) {
            prices = Arrays.copyOf(prices, Math.max(row + 1, prices.length * 2));
            published = Arrays.copyOf(published, prices.length);
            modified = Arrays.copyOf(modified, prices.length);
        }
        prices[row] = (float) line.traits().price();
        published[row] = (float) line.traits().publishedDay();
        modified[row] = (float) line.traits().changedDay();
        tags.set(row, line.cells()[2] == null ? null : line.cells()[2].text());
        keyword.set(row, line.keywordId() == null ? NONE : keywords.number(line.keywordId(), line.keyword()));
        indexable.set(row, line.indexable());
        set(row, line.found());
        for (int i = 0; i < fields.length; i++) fields[i].set(row, line.cells()[i]);
        for (int i = 0; i < moreStates.length; i++) {
            ItemTable.Cell cell = line.cells()[fields.length + i];
            moreStates[i].set(row, cell == null ? 0 : number(cell.state()));
        }
    }

    void set(int row, ItemTable.Found found) {
        findingSet.set(row, findingSets.number(found.marks()));
        if (row >= stakes.length) stakes = Arrays.copyOf(stakes, Math.max(row + 1, stakes.length * 2));
        stakes[row] = found.stakes();
        lives.set(row, found.life());
    }

    /** The row of an item; below 0 where it has none. */
    int row(long id) {
        return Arrays.binarySearch(ids, 0, size, id);
    }

    /** The first row whose id is not below one. */
    int firstRow(long id) {
        int row = row(id);
        return row < 0 ? -row - 1 : row;
    }

    /** The states of a field's drafts, by its place among those that can be drafted. */
    ByteColumn states(int field) {
        return field < fields.length ? fields[field].state : moreStates[field - fields.length];
    }

    /** The number that stands for a state in its column; 0 for none. */
    static int number(DraftState state) {
        return state == null ? 0 : state.ordinal() + 1;
    }

    List<Mark> findings(int row) {
        return findingSets.set(findingSet.get(row));
    }

    double clicksAtStake(int row) {
        return indexable.get(row) ? StakeParts.sum(stakes[row]).clicks() : 0;
    }

    /** About how many bytes of memory they take. */
    long bytes() {
        long sum = 148L * size + address.bytes() + h1.bytes();
        for (FieldColumns field : fields) sum += field.text.bytes();
        return sum;
    }

    /** Writes all that {@link #read} needs. */
    void write(TableOutput out) throws IOException {
        out.writeInt(size);
        out.writeLongs(ids, size);
        sections.write(out);
        keywords.write(out);
        languages.write(out);
        for (IntColumn column : numbers()) column.write(out, size);
        out.writeFloats(prices, size);
        out.writeFloats(published, size);
        out.writeFloats(modified, size);
        tags.write(out);
        findingSets.write(out);
        places.write(out);
        for (int row = 0; row < size; row++) {
            int count = stakes[row] == null ? 0 : stakes[row].length;
            out.writeInt(count);
            out.writeFloats(stakes[row], count);
        }
        lives.write(out, size);
        long[] bits = indexable.toLongArray();
        out.writeInt(bits.length);
        out.writeLongs(bits, bits.length);
        address.write(out, size);
        h1.write(out, size);
        for (FieldColumns field : fields) field.write(out, size);
        for (ByteColumn states : moreStates) states.write(out, size);
    }

    /** Reads columns that were written on some day before. */
    static ItemColumns read(TableInput in) {
        ItemColumns columns = new ItemColumns();
        columns.readAll(in);
        columns.age();
        return columns;
    }

    private void readAll(TableInput in) {
        size = in.readInt();
        ids = in.readLongs(size);
        sections.read(in);
        keywords.read(in);
        languages.read(in);
        for (IntColumn column : numbers()) column.read(in, size);
        prices = in.readFloats(size);
        published = in.readFloats(size);
        modified = in.readFloats(size);
        tags.read(in);
        findingSets.read(in);
        places.read(in);
        stakes = new float[size][];
        for (int row = 0; row < size; row++) {
            int count = in.readInt();
            if (count > 0) stakes[row] = in.readFloats(count);
        }
        lives.read(in, size);
        indexable.or(BitSet.valueOf(in.readLongs(in.readInt())));
        address.read(in, size);
        h1.read(in, size);
        for (FieldColumns field : fields) field.read(in, size);
        for (ByteColumn states : moreStates) states.read(in, size);
    }

    private List<IntColumn> numbers() {
        return List.of(section, place, status, depth, linksIn, keyword, language, findingSet);
    }

    /** What an item's place depends on from day to day. */
    private record Aged(int place, float published, float modified) {}

    /** Items are in other places by now, where those depend on how old items are. */
    private void age() {
        Map<Aged, Integer> numbers = new HashMap<>();
        for (int row = 0; row < size; row++) {
            if (Float.isNaN(published[row]) && Float.isNaN(modified[row])) continue;
            Aged aged = new Aged(place.get(row), published[row], modified[row]);
            place.set(
                    row, numbers.computeIfAbsent(aged, of -> places.number(of.place(), of.published(), of.modified())));
        }
    }
}
