package lucidsweep.server.gather;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.job.HandOver;
import lucidsweep.server.job.Progress;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;

/**
 * Reads the rows of a file on one thread and stores them on the caller's, some thousands at a time; lists those that cannot
 * be read.
 */
final class ImportReading<T> {

    private static final int AT_ONCE = 2_000;

    private final Sweep sweep;
    private final GatherMapper mapper;
    private final Progress progress;
    private final RowMaker<T> maker;
    private final Store<T> store;
    private long visited;
    private int read;
    private int unreadable;

    /** Makes of a row what is stored; on a thread of its own. */
    @FunctionalInterface
    interface RowMaker<T> {
        T of(IntakeRow row, List<String> cells);
    }

    /** Stores rows; returns for each what the report says of it, or nothing where it says nothing. */
    @FunctionalInterface
    interface Store<T> {
        List<Line> store(List<T> rows);
    }

    /** A line of the report. */
    record Line(String address, String became, long itemId, long captureId) {}

    private record Unreadable(long line, String reason) {}

    private record Batch<T>(List<T> rows, List<Unreadable> unreadable) {
        Batch() {
            this(new ArrayList<>(), new ArrayList<>());
        }

        int size() {
            return rows.size() + unreadable.size();
        }
    }

    ImportReading(Sweep sweep, GatherMapper mapper, Progress progress, RowMaker<T> maker, Store<T> store) {
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
        HandOver.<Batch<T>>run(
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

        private void passOnWhenFull() {
            if (batch.size() < AT_ONCE) return;
            next.accept(batch);
            batch = new Batch<>();
        }
    }

    private void store(Batch<T> batch) {
        if (progress.stopAsked()) throw Refusal.conflict("Stopped; nothing was imported.");
        List<GatherMapper.NewVisit> visits = new ArrayList<>(batch.size());
        for (Line line : store.store(batch.rows)) {
            visits.add(visit(line.address, Outcome.CAPTURED, line.became, line.itemId, line.captureId));
        }
        for (Unreadable each : batch.unreadable) {
            visits.add(visit("line " + each.line, Outcome.UNREADABLE, each.reason, null, null));
        }
        if (!visits.isEmpty()) mapper.insertVisits(Columns.of(visits));
        read += batch.rows.size();
        unreadable += batch.unreadable.size();
        progress.report(read, 0);
    }

    private GatherMapper.NewVisit visit(String address, Outcome outcome, String detail, Long itemId, Long captureId) {
        String clipped = detail.length() <= 2_000 ? detail : detail.substring(0, 2_000);
        return new GatherMapper.NewVisit(
                IdRange.id(sweep.id(), visited++), address, 0, "", outcome.code(), clipped, itemId, captureId);
    }

    int read() {
        return read;
    }

    int unreadable() {
        return unreadable;
    }
}
