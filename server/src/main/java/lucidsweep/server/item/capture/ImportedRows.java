package lucidsweep.server.item.capture;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import org.springframework.stereotype.Service;

/** What imports read, row by row, in the order of their files. */
@Service
public class ImportedRows {

    private static final int AT_ONCE = 10;
    private static final int LIST = 200;

    private final ImportedRowMapper mapper;

    ImportedRows(ImportedRowMapper mapper) {
        this.mapper = mapper;
    }

    /** Whether a capture is a row of an import; those of crawls are numbered otherwise. */
    static boolean isRow(long captureId) {
        return IdRange.owner(captureId) > 0;
    }

    /** Takes the rows of one import, within its transactions; what does not fill a pack waits for the next rows. No pack reaches over a full hundred. */
    public final class Writer {
        private final long sweepId;
        private final List<ImportedRowMapper.Pack> full = new ArrayList<>();
        private RowPack pack = new RowPack();
        private long count;

        private Writer(long sweepId) {
            this.sweepId = sweepId;
        }

        /** The id that the next row will have. */
        long nextId() {
            return IdRange.id(sweepId, count);
        }

        void add(ImportedRow row) {
            pack.add(row);
            count++;
            if (pack.isFull() || count % RowPack.ROWS == 0) close();
        }

        private void close() {
            full.add(new ImportedRowMapper.Pack(nextId() - pack.size(), pack.size(), pack.packed()));
            pack = new RowPack();
        }

        /** Writes the packs that are full. */
        void write() {
            ManyRows.each(full, mapper::insert);
            full.clear();
        }

        /** Writes what is left. */
        public void end() {
            if (pack.size() > 0) close();
            write();
        }
    }

    public Writer writer(long sweepId) {
        return new Writer(sweepId);
    }

    /** The rows of an import that follow upon one, without their facts; the first ones where it is before the range. */
    public List<ImportedRow> after(long sweepId, long after, int limit) {
        IdRange range = IdRange.of(sweepId);
        if (after >= range.last()) return List.of();
        long from = Math.max(after + 1, range.first());
        long next = group(from);
        List<ImportedRow> found = new ArrayList<>();
        List<ImportedRowMapper.Pack> packs;
        do {
            packs = mapper.between(next, range.last(), AT_ONCE);
            for (ImportedRowMapper.Pack pack : packs) {
                found.addAll(RowPack.rows(pack.id(), pack.packed(), id -> id >= from, false));
                next = pack.id() + 1;
            }
        } while (found.size() < limit && packs.size() == AT_ONCE);
        return found.subList(0, Math.min(limit, found.size()));
    }

    /** Some rows with their facts, by id; those that are none are left out. */
    public Map<Long, ImportedRow> of(Collection<Long> ids) {
        Set<Long> wanted = new HashSet<>(ids);
        wanted.removeIf(id -> !isRow(id));
        Object[] groups = wanted.stream().map(ImportedRows::group).distinct().toArray();
        Map<Long, ImportedRow> found = new HashMap<>();
        for (int start = 0; start < groups.length; start += LIST) {
            Object[] some = Arrays.copyOfRange(groups, start, Math.min(groups.length, start + LIST));
            for (ImportedRowMapper.Pack pack : mapper.ofGroups(some, RowPack.ROWS)) {
                RowPack.rows(pack.id(), pack.packed(), wanted::contains, true).forEach(row -> found.put(row.id(), row));
            }
        }
        return found;
    }

    /** The id of the first of the hundred rows that a row belongs to; mostly they are one pack. */
    private static long group(long row) {
        long first = IdRange.of(IdRange.owner(row)).first();
        return row - (row - first) % RowPack.ROWS;
    }

    /** How many rows an import read; 0 of a crawl. */
    public int count(long sweepId) {
        return mapper.count(IdRange.of(sweepId));
    }

    void forget(long sweepId) {
        mapper.forget(IdRange.of(sweepId));
    }
}
