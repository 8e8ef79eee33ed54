package lucidsweep.server.gather;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Meaning;
import lucidsweep.server.intake.RowKind;

/** Stores demand and results; a row that is there already, of the same item, query, country and period, is replaced. */
final class ReportedRows {

    private static final int AT_ONCE = 5_000;
    private static final int LIST = 200;

    private final ReportMapper mapper;
    private final RowKind kind;
    private final long propertyId;
    private final long sweepId;
    private final Map<Long, Long> known = new HashMap<>();
    private long count;
    private int replaced;

    ReportedRows(ReportMapper mapper, RowKind kind, long propertyId, long sweepId) {
        this.mapper = mapper;
        this.kind = kind;
        this.propertyId = propertyId;
        this.sweepId = sweepId;
        long after = -1;
        List<ReportMapper.Stored> chunk;
        do {
            chunk = kind == RowKind.DEMAND
                    ? mapper.demandAfter(propertyId, after, AT_ONCE)
                    : mapper.resultsAfter(propertyId, after, AT_ONCE);
            for (ReportMapper.Stored row : chunk) {
                known.put(row.rowHash(), row.id());
                after = row.id();
            }
        } while (chunk.size() == AT_ONCE);
    }

    Record of(IntakeRow row, List<String> cells) {
        long id = IdRange.id(sweepId, count++);
        String query = row.get(Meaning.QUERY);
        String address = row.get(Meaning.ADDRESS);
        if (kind == RowKind.RESULTS) {
            return new ReportMapper.ResultRow(
                    id,
                    propertyId,
                    Likeness.exactHash(Likeness.key(query) + "\n" + row.get(Meaning.POSITION) + "\n" + address),
                    query,
                    Double.parseDouble(row.get(Meaning.POSITION)),
                    address,
                    clip(row.get(Meaning.TITLE), 5_000),
                    clip(row.get(Meaning.DESCRIPTION), 20_000));
        }
        String country = clip(row.get(Meaning.COUNTRY), 100);
        String period = row.get(Meaning.FROM) + "\n" + row.get(Meaning.TO);
        return new ReportMapper.DemandRow(
                id,
                propertyId,
                Likeness.exactHash(address + "\n" + Likeness.key(query) + "\n" + country + "\n" + period),
                address,
                query,
                country,
                row.get(Meaning.FROM),
                row.get(Meaning.TO),
                count(row.get(Meaning.CLICKS)),
                count(row.get(Meaning.IMPRESSIONS)),
                row.get(Meaning.POSITION).isEmpty() ? null : Double.valueOf(row.get(Meaning.POSITION)));
    }

    /** Whether a row is there already. */
    boolean isKnown(Record row) {
        return known.containsKey(hash(row));
    }

    List<ImportReading.Line> store(List<Record> rows) {
        if (rows.isEmpty()) return List.of();
        List<Long> old = new ArrayList<>();
        for (Record row : rows) {
            Long before = known.remove(hash(row));
            if (before != null) old.add(before);
        }
        replaced += old.size();
        Consumer<Object[]> delete = kind == RowKind.DEMAND ? mapper::deleteDemand : mapper::deleteResults;
        for (int start = 0; start < old.size(); start += LIST) {
            delete.accept(old.subList(start, Math.min(old.size(), start + LIST)).toArray());
        }
        Map<String, Object[]> columns = Columns.of(rows);
        if (kind == RowKind.DEMAND) mapper.insertDemand(columns);
        else mapper.insertResults(columns);
        return List.of();
    }

    int replaced() {
        return replaced;
    }

    private static long hash(Record row) {
        return row instanceof ReportMapper.DemandRow demand
                ? demand.rowHash()
                : ((ReportMapper.ResultRow) row).rowHash();
    }

    private static long count(String text) {
        return text.isEmpty() ? 0 : Long.parseLong(text);
    }

    private static String clip(String text, int most) {
        return text.length() <= most ? text : text.substring(0, most);
    }
}
