package lucidsweep.server.gather.imports;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Durability;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.gather.sweep.DemandChanged;
import lucidsweep.server.gather.sweep.ResultsChanged;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.gather.sweep.VisitMapper;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.item.capture.CapturedItem;
import lucidsweep.server.item.capture.Captures;
import lucidsweep.server.item.capture.ImportedRows;
import lucidsweep.server.item.capture.KnownItems;
import lucidsweep.server.item.capture.SiteNotes;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Job;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Reads files of pages, listings, videos, demand and results: tried, applied, and taken back. */
@Service
public class Imports {

    private static final Logger LOG = LoggerFactory.getLogger(Imports.class);
    private static final int TRIAL_AT_ONCE = 1_000;
    private static final int EXAMPLES = 50;

    /** How many bytes of memory a byte of a file may take while it is imported. */
    private static final int WEIGHT = 3;

    private final ImportMapper mapper;
    private final SweepStore sweeps;
    private final VisitMapper visits;
    private final ReportMapper reports;
    private final ImportPlans plans;
    private final Uploads uploads;
    private final Captures captures;
    private final SiteNotes siteNotes;
    private final Drafts drafts;
    private final PropertyLine line;
    private final ImportedRows imported;
    private final Clients clients;
    private final Items items;
    private final Jobs jobs;
    private final Durability durability;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final ApplicationEventPublisher publisher;

    Imports(
            ImportMapper mapper,
            SweepStore sweeps,
            VisitMapper visits,
            ReportMapper reports,
            ImportPlans plans,
            Uploads uploads,
            Captures captures,
            SiteNotes siteNotes,
            Drafts drafts,
            PropertyLine line,
            ImportedRows imported,
            Clients clients,
            Items items,
            Jobs jobs,
            Durability durability,
            TransactionTemplate transaction,
            JsonMapper json,
            ApplicationEventPublisher publisher) {
        this.mapper = mapper;
        this.sweeps = sweeps;
        this.visits = visits;
        this.reports = reports;
        this.plans = plans;
        this.uploads = uploads;
        this.captures = captures;
        this.siteNotes = siteNotes;
        this.drafts = drafts;
        this.line = line;
        this.imported = imported;
        this.clients = clients;
        this.items = items;
        this.jobs = jobs;
        this.durability = durability;
        this.transaction = transaction;
        this.json = json;
        this.publisher = publisher;
    }

    /** Says what reading the file would do, and changes nothing. */
    ImportTrial trial(String token, ImportChoice choice) {
        ImportPlans.Checked file = plans.checked(token, choice);
        Property property = clients.property(file.propertyId());
        Trial trial = file.kind().isItem() ? new ItemTrial(property, file.mapping()) : new ReportTrial(file, property);
        new Intake(file.kind(), file.mapping()).read(uploads.table(token, file.sheet()), trial);
        return trial.result();
    }

    /** Counts what rows would do. */
    private abstract static class Trial implements Intake.Receiver {
        private final List<ImportTrial.Unreadable> examples = new ArrayList<>();
        private final List<ImportTrial.Unreadable> leftOut = new ArrayList<>();
        private int unreadable;
        protected int added;
        protected int changed;
        protected int unchanged;
        protected int gone;

        @Override
        public void unreadable(long line, String reason) {
            unreadable++;
            if (examples.size() < EXAMPLES) examples.add(new ImportTrial.Unreadable(line, reason));
        }

        @Override
        public void leftOut(long line, String what) {
            if (leftOut.size() < EXAMPLES) leftOut.add(new ImportTrial.Unreadable(line, what));
        }

        ImportTrial result() {
            return new ImportTrial(added, changed, unchanged, gone, unreadable, examples, leftOut);
        }
    }

    private final class ItemTrial extends Trial {
        private final Property property;
        private final ImportedItem maker;
        private final KnownItems known;
        private final List<CapturedItem> waiting = new ArrayList<>(TRIAL_AT_ONCE);
        private int present;

        private ItemTrial(Property property, Mapping mapping) {
            this.property = property;
            maker = new ImportedItem(property, 0, mapping, json);
            known = captures.known(property.id());
        }

        @Override
        public void row(IntakeRow row, List<String> cells) {
            waiting.add(maker.of(row, cells));
            if (waiting.size() == TRIAL_AT_ONCE) count();
        }

        private void count() {
            Captures.Difference difference = captures.difference(known, waiting);
            added += difference.added();
            changed += difference.changed();
            unchanged += difference.unchanged();
            present += difference.present();
            waiting.clear();
        }

        @Override
        ImportTrial result() {
            count();
            if (property.hasTags()) gone = known.present() - present;
            return super.result();
        }
    }

    private final class ReportTrial extends Trial {
        private final ReportedRows rows;

        private ReportTrial(ImportPlans.Checked file, Property property) {
            LocalDate day = file.takenOn() == null ? LocalDate.now() : file.takenOn();
            rows = new ReportedRows(reports, file.kind(), property.id(), 0, day);
        }

        @Override
        public void row(IntakeRow row, List<String> cells) {
            if (rows.isKnown(rows.of(row, cells))) changed++;
            else added++;
        }
    }

    /** Reads the file with the columns as they were put right. */
    public Sweep apply(String token, ImportChoice choice) {
        ImportPlans.Checked file = plans.checked(token, choice);
        plans.checkAgreed(file);
        ImportShape shape = ImportShape.of(file.kind(), file.mapping(), uploads.table(token, file.sheet()));
        String hash = uploads.hash(token);
        Sweep sweep = transaction.execute(status -> {
            long job = jobs.create(file.propertyId(), "import", "Import of " + file.name());
            Sweep begun = sweeps.begin(
                    new SweepStore.NewSweep(
                            file.propertyId(),
                            job,
                            Sweep.Kind.IMPORT,
                            file.name(),
                            file.kind().isItem(),
                            takenAt(file.takenOn())),
                    shape);
            mapper.insertSource(new ImportMapper.ImportSource(begun.id(), token, file.sheet(), false, hash));
            plans.handOver(file);
            return begun;
        });
        start(sweep);
        return sweep;
    }

    /**
     * Reads a file with its columns as they are guessed, and waits for the end.
     *
     * @return the job, as it ended
     * @throws Refusal where the file is not of that kind
     */
    public Job runNow(long propertyId, String name, InputStream content, RowKind kind) throws IOException {
        ImportPlan first = plans.plan(propertyId, name, content);
        ImportPlan plan = plans.plan(first.token(), kind, null);
        List<Meaning> meanings =
                plan.columns().stream().map(ImportPlan.Column::meaning).toList();
        List<Meaning> missing =
                plan.questions().stream().map(ImportPlan.Question::meaning).toList();
        Sweep sweep = apply(plan.token(), new ImportChoice(meanings, plan.dates(), null, missing));
        jobs.awaitEnd(sweep.jobId());
        return jobs.find(sweep.jobId());
    }

    private static Instant takenAt(LocalDate day) {
        return day == null
                ? null
                : day.atTime(LocalTime.NOON).atZone(ZoneId.systemDefault()).toInstant();
    }

    private void start(Sweep sweep) {
        jobs.start(sweep.jobId(), progress -> {
            String note = run(sweep, progress);
            if (!jobs.isClosing()) items.prepare(sweep.propertyId());
            return note;
        });
    }

    /** Begins anew what was cut short; what it had stored is taken back first. */
    @EventListener(ApplicationReadyEvent.class)
    void beginAnewAfterTheEnd() {
        uploads.keepOnly(
                mapper.sources().stream().map(ImportMapper.ImportSource::token).toList());
        for (Sweep sweep : sweeps.unfinished(Sweep.Kind.IMPORT)) {
            try {
                beginAnew(sweep);
            } catch (RuntimeException e) {
                LOG.error("the import {} cannot be begun anew", sweep.id(), e);
                close(sweep, "The application ended before this did, and it could not be begun anew.");
            }
        }
    }

    private void beginAnew(Sweep sweep) {
        ImportMapper.ImportSource source = mapper.source(sweep.id());
        if (source == null || !source.stored()) undo(sweep);
        if (clients.isRemoved(sweep.propertyId())) {
            close(sweep, "The application ended before this did, and the property was removed since.");
        } else if (source != null && isWhole(source)) {
            start(sweep);
        } else {
            close(
                    sweep,
                    "The application ended before this did, and the file is no longer there; please import it again.");
        }
    }

    /** Whether the file of an import is there as it was when the import began. */
    private boolean isWhole(ImportMapper.ImportSource source) {
        if (!Files.exists(uploads.file(source.token()))) return false;
        return source.hash() == null || source.hash().equals(uploads.hash(source.token()));
    }

    private void close(Sweep sweep, String why) {
        sweeps.end(sweep.id(), Sweep.State.FAILED);
        mapper.forgetSource(sweep.id());
        jobs.close(sweep.jobId(), why);
    }

    /** The shape of the file that a sweep read; empty where it was a crawl. */
    public Optional<ImportShape> shapeOfSweep(long sweepId) {
        Sweep sweep = sweeps.find(sweepId);
        if (sweep.kind() != Sweep.Kind.IMPORT) return Optional.empty();
        return Optional.of(sweeps.settings(sweepId, ImportShape.class));
    }

    /** The shape of the file that a property's items last came from. */
    public ImportShape shape(long propertyId) {
        return itemImports(propertyId)
                .map(sweep -> sweeps.settings(sweep.id(), ImportShape.class))
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "this property was not filled from a file, so there is no file format to deliver it in"));
    }

    /** Whether a property was filled from a file, and no crawl has seen its items since. */
    public boolean isFilledFromFile(long propertyId) {
        long lastImport =
                itemImports(propertyId).mapToLong(Sweep::id).findFirst().orElse(0);
        return lastImport > 0
                && sweeps.ofKind(propertyId, Sweep.Kind.CRAWL).stream()
                        .noneMatch(sweep -> sweep.id() > lastImport && sweep.state() == Sweep.State.DONE);
    }

    /** The imports of items that ended, the last one first. */
    Stream<Sweep> itemImports(long propertyId) {
        return sweeps.ofKind(propertyId, Sweep.Kind.IMPORT).stream()
                .filter(sweep -> sweep.state() == Sweep.State.DONE)
                .filter(sweep ->
                        sweeps.settings(sweep.id(), ImportShape.class).kind().isItem());
    }

    /**
     * A file that was read.
     *
     * @param note what came of it, in words
     * @param lastDay the last day that its demand is of; null where it is none, or not known
     */
    private record Done(String note, String lastDay) {}

    private String run(Sweep sweep, Progress progress) {
        ImportMapper.ImportSource source = mapper.source(sweep.id());
        ImportShape shape = shapeOfSweep(sweep.id()).orElseThrow();
        try {
            Intake intake = new Intake(shape.kind(), shape.mapping());
            TableFile table = uploads.table(source.token(), source.sheet());
            items.makeRoom(sweep.propertyId(), WEIGHT * uploads.size(source.token()));
            Done done = source.stored()
                    ? new Done("Read; the end of it was cut short and made up for.", null)
                    : shape.kind().isItem()
                            ? readItems(sweep, shape, intake, table, progress)
                            : readReports(sweep, shape.kind(), intake, table, progress);
            if (shape.kind().isItem()) seeLive(sweep.propertyId());
            tell(sweep, shape.kind(), done.lastDay);
            end(sweep, source, Sweep.State.DONE);
            // Tables have it already: whoever works out what an import means for targets and findings says so.
            items.changed(sweep.propertyId(), Set.of());
            return done.note;
        } catch (RuntimeException | Error e) {
            // Where the application ends, the next start begins the import anew.
            if (jobs.isClosing() && progress.stopAsked()) return "";
            ImportMapper.ImportSource left = mapper.source(sweep.id());
            if (left != null && !left.stored()) undo(sweep);
            end(sweep, source, Sweep.State.FAILED);
            // Somebody may have read what is taken back.
            if (!shape.kind().isItem()) tell(sweep, shape.kind(), null);
            items.changed(sweep.propertyId());
            throw e;
        }
    }

    private void seeLive(long propertyId) {
        line.run(propertyId, "the end of an import", () -> drafts.seeLive(propertyId));
    }

    private void tell(Sweep sweep, RowKind kind, String lastDay) {
        if (kind == RowKind.PAGES) siteNotes.noteAgain(sweep.propertyId());
        if (kind.isItem()) publisher.publishEvent(new SweepEnded(sweep.propertyId(), sweep.id()));
        if (kind == RowKind.RESULTS) publisher.publishEvent(new ResultsChanged(sweep.propertyId()));
        if (kind == RowKind.DEMAND) publisher.publishEvent(new DemandChanged(sweep.propertyId(), sweep.id(), lastDay));
    }

    private void end(Sweep sweep, ImportMapper.ImportSource source, Sweep.State state) {
        transaction.executeWithoutResult(status -> {
            sweeps.end(sweep.id(), state);
            mapper.forgetSource(sweep.id());
        });
        // Where the database forgot that the import had ended, it would need the file once more.
        durability.await();
        uploads.remove(source.token());
    }

    private Done readItems(Sweep sweep, ImportShape shape, Intake intake, TableFile table, Progress progress) {
        Property property = clients.property(sweep.propertyId());
        ImportedItem maker = new ImportedItem(property, sweep.id(), shape.mapping(), json);
        KnownItems known = captures.known(property.id());
        ImportedRows.Writer rows = imported.writer(sweep.id());
        ImportReading<CapturedItem> reading = new ImportReading<>(
                sweep, visits, progress, maker::of, items -> captures.storeImported(known, rows, items));
        reading.read(intake, table, this::inTransaction);
        transaction.executeWithoutResult(status -> {
            rows.end();
            if (property.hasTags()) captures.markGoneByImport(known, sweep.id());
            mapper.setStored(sweep.id());
        });
        String thing = shape.kind().name().toLowerCase(Locale.ROOT).replaceFirst("s$", "");
        return new Done(said(Counted.of(reading.read(), thing) + " read", reading), null);
    }

    /** Some thousands of rows are stored at a time: the database takes twice as long over a million rows in one piece. */
    private void inTransaction(Runnable store) {
        transaction.executeWithoutResult(status -> store.run());
    }

    private Done readReports(Sweep sweep, RowKind kind, Intake intake, TableFile table, Progress progress) {
        LocalDate day = LocalDate.ofInstant(sweep.started(), ZoneId.systemDefault());
        ReportedRows rows = new ReportedRows(reports, kind, sweep.propertyId(), sweep.id(), day);
        ImportReading<Record> reading = new ImportReading<>(sweep, visits, progress, rows::of, rows::store);
        reading.read(intake, table, this::inTransaction);
        mapper.setStored(sweep.id());
        String thing = kind == RowKind.DEMAND ? "row of demand" : "result";
        String count = reading.read() == 1 || kind != RowKind.DEMAND
                ? Counted.of(reading.read(), thing)
                : String.format(Locale.ROOT, "%,d rows of demand", reading.read());
        String replaced = rows.replaced() == 0
                ? ""
                : ", " + String.format(Locale.ROOT, "%,d", rows.replaced()) + " of them in the place of earlier ones";
        String contradicted = rows.contradicted() == 0
                ? ""
                : " (" + String.format(Locale.ROOT, "%,d", rows.contradicted())
                        + " with other figures, which count now)";
        return new Done(said(count + " read" + replaced + contradicted, reading), rows.lastDay());
    }

    private static String said(String read, ImportReading<?> reading) {
        String unreadable =
                reading.unreadable() == 0 ? "" : ", " + Counted.of(reading.unreadable(), "row") + " could not be read";
        String leftOut = reading.leftOut() == 0
                ? ""
                : ", " + Counted.of(reading.leftOut(), "line") + " left out (totals, notes, repeated names)";
        return read + unreadable + leftOut + ".";
    }

    /** Puts everything back as it was before the last import; drafts, targets and keeps stay as they are. */
    Sweep takeBack(long sweepId) {
        Sweep sweep = sweeps.find(sweepId);
        Property property = clients.property(sweep.propertyId());
        boolean last = sweeps.ofProperty(property.id()).stream()
                .filter(each -> each.state() != Sweep.State.FAILED && each.state() != Sweep.State.TAKEN_BACK)
                .findFirst()
                .filter(each -> each.id() == sweepId)
                .isPresent();
        if (!last || sweep.kind() != Sweep.Kind.IMPORT || sweep.state() != Sweep.State.DONE) {
            throw Refusal.conflict("only the last import can be undone, and only if no sweep came after it");
        }
        RowKind kind = shapeOfSweep(sweepId).orElseThrow().kind();
        sweeps.reopen(sweepId);
        Sweep.State state = Sweep.State.DONE;
        try {
            if (kind.isItem()) transaction.executeWithoutResult(status -> captures.takeBack(property, sweepId));
            else takeBackReports(sweepId);
            state = Sweep.State.TAKEN_BACK;
        } finally {
            sweeps.end(sweepId, state);
        }
        if (kind.isItem()) seeLive(property.id());
        tell(sweep, kind, null);
        items.changed(property.id());
        return sweeps.find(sweepId);
    }

    /** Takes back what an import has stored that did not come to its end. */
    private void undo(Sweep sweep) {
        if (!shapeOfSweep(sweep.id()).orElseThrow().kind().isItem()) {
            takeBackReports(sweep.id());
            return;
        }
        transaction.executeWithoutResult(status -> {
            captures.undoImport(clients.propertyOrRemoved(sweep.propertyId()), sweep.id());
            visits.forgetVisits(IdRange.of(sweep.id()));
        });
    }

    private void takeBackReports(long sweepId) {
        RowKind kind = shapeOfSweep(sweepId).orElseThrow().kind();
        ReportedRows.takeBack(reports, kind, sweepId, transaction);
        visits.forgetVisits(IdRange.of(sweepId));
    }
}
