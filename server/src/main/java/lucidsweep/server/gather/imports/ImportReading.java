package lucidsweep.server.gather.imports;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.gather.sweep.Outcome;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.VisitMapper;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.job.BoundedPipeline;
import lucidsweep.server.job.Progress;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;

/**
 * Reads the rows of a file on one thread and stores them on the caller's, some thousands at a time; lists those that cannot
 * be read.
 */
final class ImportReading<T> {

    private static final int AT_ONCE = 2_000;

    /** The rows that can be read have the places before this in the import's range. */
    private static final long AFTER_ROWS = 1L << 30;

    private final Sweep sweep;
    private final VisitMapper mapper;
    private final Progress progress;
    private final RowMaker<T> maker;
    private final Consumer<List<T>> store;
    private int read;
    private int unreadable;
    private volatile int leftOut;

    /** Makes of a row what is stored; on a thread of its own. */
    @FunctionalInterface
    interface RowMaker<T> {
        T of(IntakeRow row, List<String> cells);
    }

    private record Unreadable(long line, String reason) {}

    private record Batch<T>(List<T> rows, List<Unreadable> unreadable) {
        Batch() {
            this(new ArrayList<>(), new ArrayList<>());
        }

        int size() {
            return rows.size() + unreadable.size();
        }
    }

    ImportReading(Sweep sweep, VisitMapper mapper, Progress progress, RowMaker<T> maker, Consumer<List<T>> store) {
        this.sweep = sweep;
        this.mapper = mapper;
        this.progress = progress;
        this.maker = maker;
        this.store = store;
    }

    /**
     * Reads a table.
     *
     * @param around what stores some rows is run in this, such as a transaction
     */
    void read(Intake intake, TableFile table, Consumer<Runnable> around) {
        BoundedPipeline.<Batch<T>>run(
                next -> {
                    Collector collector = new Collector(next);
                    intake.read(table, collector);
                    next.accept(collector.batch);
                },
                batch -> around.accept(() -> store(batch)));
    }

    private final class Collector implements Intake.Receiver {
        private final Consumer<Batch<T>> next;
        private Batch<T> batch = new Batch<>();

        private Collector(Consumer<Batch<T>> next) {
            this.next = next;
        }

        @Override
        public void row(IntakeRow row, List<String> cells) {
            batch.rows.add(maker.of(row, cells));
            passOnWhenFull();
        }

        @Override
        public void unreadable(long line, String reason) {
            batch.unreadable.add(new Unreadable(line, reason));
            passOnWhenFull();
        }

        @Override
        public void leftOut(long line, String what) {
            leftOut++;
        }

        private void passOnWhenFull() {
            if (batch.size() < AT_ONCE) return;
            next.accept(batch);
            batch = new Batch<>();
        }
    }

    private void store(Batch<T> batch) {
        if (progress.stopAsked()) throw Refusal.conflict("Stopped; nothing was imported.");
        store.accept(batch.rows);
        ManyRows.each(batch.unreadable.stream().map(this::visit).toList(), mapper::insertVisits);
        read += batch.rows.size();
        progress.report(read, 0);
    }

    private VisitMapper.NewVisit visit(Unreadable row) {
        String reason = row.reason.length() <= 2_000 ? row.reason : row.reason.substring(0, 2_000);
        return new VisitMapper.NewVisit(
                IdRange.id(sweep.id(), AFTER_ROWS + unreadable++),
                "line " + row.line,
                null,
                0,
                "",
                Outcome.UNREADABLE.code(),
                reason);
    }

    int read() {
        return read;
    }

    /** How many lines were no rows, such as a total. */
    int leftOut() {
        return leftOut;
    }

    int unreadable() {
        return unreadable;
    }
}
