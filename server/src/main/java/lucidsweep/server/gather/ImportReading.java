package lucidsweep.server.gather;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.job.Progress;
import lucidsweep.server.web.Refusal;

/** Stores the rows of a file some hundreds at a time, and lists those that cannot be read. Callers bring the transaction. */
final class ImportReading<T> implements Intake.Receiver {

    private static final int AT_ONCE = 1_000;

    private final Sweep sweep;
    private final GatherMapper mapper;
    private final Progress progress;
    private final RowMaker<T> maker;
    private final Store<T> store;
    private final List<T> waiting = new ArrayList<>(AT_ONCE);
    private final List<GatherMapper.NewVisit> visits = new ArrayList<>(AT_ONCE);
    private long visited;
    private int read;
    private int unreadable;

    /** Makes of a row what is stored. */
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

    ImportReading(Sweep sweep, GatherMapper mapper, Progress progress, RowMaker<T> maker, Store<T> store) {
        this.sweep = sweep;
        this.mapper = mapper;
        this.progress = progress;
        this.maker = maker;
        this.store = store;
    }

    @Override
    public void row(IntakeRow row, List<String> cells) {
        if (progress.stopAsked()) throw Refusal.conflict("Stopped; nothing was imported.");
        waiting.add(maker.of(row, cells));
        read++;
        if (waiting.size() == AT_ONCE) flush();
    }

    @Override
    public void unreadable(long line, String reason) {
        unreadable++;
        addVisit("line " + line, Outcome.UNREADABLE, reason, null, null);
        if (visits.size() >= AT_ONCE) flush();
    }

    void flush() {
        for (Line line : store.store(waiting)) {
            addVisit(line.address, Outcome.CAPTURED, line.became, line.itemId, line.captureId);
        }
        waiting.clear();
        if (!visits.isEmpty()) mapper.insertVisits(Columns.of(visits));
        visits.clear();
        progress.report(read, 0);
    }

    private void addVisit(String address, Outcome outcome, String detail, Long itemId, Long captureId) {
        String clipped = detail.length() <= 2_000 ? detail : detail.substring(0, 2_000);
        visits.add(new GatherMapper.NewVisit(
                IdRange.id(sweep.id(), visited++), address, 0, "", outcome.code(), clipped, itemId, captureId));
    }

    int read() {
        return read;
    }

    int unreadable() {
        return unreadable;
    }
}
