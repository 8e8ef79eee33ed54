package lucidsweep.server.gather.imports;

import com.carrotsearch.hppc.LongLongHashMap;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.intake.IntakeRow;
import org.springframework.transaction.support.TransactionTemplate;

/** Stores demand and results; a row that is there already, of the same item, query, country and period, is replaced. */
final class ReportedRows {

    private static final int AT_ONCE = 5_000;
    private static final int LIST = 200;
    private static final int DAY_BITS = 40;

    private final ReportMapper mapper;
    private final RowKind kind;
    private final long propertyId;
    private final long sweepId;
    private final LocalDate today;
    private final LongLongHashMap known = new LongLongHashMap();
    private String lastDay = "";
    private long count;
    private int replaced;
    private int contradicted;

    /** @param today the day of results that name none */
    ReportedRows(ReportMapper mapper, RowKind kind, long propertyId, long sweepId, LocalDate today) {
        this.today = today;
        this.mapper = mapper;
        this.kind = kind;
        this.propertyId = propertyId;
        this.sweepId = sweepId;
        ReportRanges.of(mapper, propertyId)
                .forEach(
                        kind == RowKind.DEMAND ? mapper::storedDemand : mapper::storedResults,
                        ReportMapper.Stored::id,
                        row -> known.put(row.rowHash(), row.id()));
    }

    Record of(IntakeRow row, List<String> cells) {
        String query = row.get(Meaning.QUERY);
        String address = row.get(Meaning.ADDRESS);
        if (kind == RowKind.RESULTS) {
            LocalDate day = row.get(Meaning.DAY).isEmpty() ? today : LocalDate.parse(row.get(Meaning.DAY));
            long hash = TextKey.exactHash(TextKey.key(query) + "\n" + row.get(Meaning.POSITION) + "\n" + address)
                    ^ day.toEpochDay() << DAY_BITS;
            return new ReportMapper.ResultRow(
                    id(hash),
                    propertyId,
                    hash,
                    query,
                    Double.parseDouble(row.get(Meaning.POSITION)),
                    address,
                    clip(row.get(Meaning.TITLE), 5_000),
                    clip(row.get(Meaning.DESCRIPTION), 20_000),
                    day.toString());
        }
        String country = clip(row.get(Meaning.COUNTRY), 100);
        String toDay = row.get(Meaning.TO);
        if (toDay.compareTo(lastDay) > 0) lastDay = toDay;
        String period = row.get(Meaning.FROM) + "\n" + toDay;
        long hash = TextKey.exactHash(address + "\n" + TextKey.key(query) + "\n" + country + "\n" + period);
        return new ReportMapper.DemandRow(
                id(hash),
                propertyId,
                hash,
                address,
                query,
                country,
                row.get(Meaning.FROM),
                toDay,
                count(row.get(Meaning.CLICKS)),
                count(row.get(Meaning.IMPRESSIONS)),
                row.get(Meaning.POSITION).isEmpty() ? null : Double.valueOf(row.get(Meaning.POSITION)));
    }

    /** A row that is there already keeps its id. */
    private long id(long hash) {
        long before = known.get(hash);
        return before != 0 ? before : IdRange.id(sweepId, count++);
    }

    /** Whether a row is there already. */
    boolean isKnown(Record row) {
        return known.get(hash(row)) != 0;
    }

    void store(List<Record> rows) {
        List<Record> added = new ArrayList<>(rows.size());
        List<Record> changed = new ArrayList<>();
        for (Record row : rows) (isKnown(row) ? changed : added).add(row);
        replaced += changed.size();
        boolean demand = kind == RowKind.DEMAND;
        ManyRows.each(added, demand ? mapper::insertDemand : mapper::insertResults);
        if (changed.isEmpty()) return;
        Object[] ids = changed.stream().map(row -> known.get(hash(row))).toArray();
        eachList(ids, some -> mapper.keep(table(kind), sweepId, some));
        ManyRows.each(changed, demand ? mapper::changeDemand : mapper::changeResults);
        if (demand) eachList(ids, some -> contradicted += mapper.contradicted(sweepId, some));
    }

    private static void eachList(Object[] ids, Consumer<Object[]> visit) {
        for (int start = 0; start < ids.length; start += LIST)
            visit.accept(Arrays.copyOfRange(ids, start, Math.min(ids.length, start + LIST)));
    }

    private static String table(RowKind kind) {
        return kind == RowKind.DEMAND ? "demand" : "result";
    }

    /** Puts everything back as it was before an import, whole or cut short; some thousands of rows at a time. */
    static void takeBack(ReportMapper mapper, RowKind kind, long sweepId, TransactionTemplate transaction) {
        IdRange range = IdRange.of(sweepId);
        String table = table(kind);
        while (mapper.removeSome(table, range, AT_ONCE) > 0) continue;
        List<Long> some = mapper.keptSome(table, sweepId, LIST);
        while (!some.isEmpty()) {
            Object[] ids = some.toArray();
            transaction.executeWithoutResult(status -> {
                mapper.putBack(table, columns(kind), sweepId, ids);
                mapper.forgetKept(table, sweepId, ids);
            });
            some = mapper.keptSome(table, sweepId, LIST);
        }
    }

    private static String columns(RowKind kind) {
        return kind == RowKind.DEMAND ? ReportMapper.DEMAND_COLUMNS : ReportMapper.RESULT_COLUMNS;
    }

    /** The last day that any row of demand is of; "" where they name none. */
    String lastDay() {
        return lastDay;
    }

    int replaced() {
        return replaced;
    }

    /** How many of the rows of demand that were replaced had other clicks or impressions: the later report counts. */
    int contradicted() {
        return contradicted;
    }

    private static long hash(Record row) {
        return row instanceof ReportMapper.DemandRow demand
                ? demand.rowHash()
                : ((ReportMapper.ResultRow) row).rowHash();
    }

    private static long count(String text) {
        return text.isEmpty() ? 0 : Long.parseLong(text);
    }

    private static String clip(String text, int max) {
        return text.length() <= max ? text : text.substring(0, max);
    }
}
