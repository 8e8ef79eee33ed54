package lucidsweep.server.gather;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import lucidsweep.core.text.Likeness;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.intake.Intake;
import lucidsweep.server.intake.IntakeRow;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.intake.Meaning;
import lucidsweep.server.intake.RowKind;
import lucidsweep.server.item.CapturedItem;
import lucidsweep.server.item.Captures;
import lucidsweep.server.item.Items;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Imports pages, listings, videos, demand and results from files: looked at, tried, applied, and taken back. */
@Service
public class Imports {

    private static final int SAMPLES = 4;
    private static final int SAMPLE_ROWS = 2_000;
    private static final int TRIAL_AT_ONCE = 1_000;
    private static final int EXAMPLES = 50;

    private final GatherMapper mapper;
    private final ReportMapper reports;
    private final Captures captures;
    private final Clients clients;
    private final Items items;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final Logins logins;
    private final ApplicationEventPublisher publisher;
    private final Map<String, Upload> uploads = new ConcurrentHashMap<>();

    Imports(
            GatherMapper mapper,
            ReportMapper reports,
            Captures captures,
            Clients clients,
            Items items,
            Jobs jobs,
            TransactionTemplate transaction,
            JsonMapper json,
            Logins logins,
            ApplicationEventPublisher publisher) {
        this.mapper = mapper;
        this.reports = reports;
        this.captures = captures;
        this.clients = clients;
        this.items = items;
        this.jobs = jobs;
        this.transaction = transaction;
        this.json = json;
        this.logins = logins;
        this.publisher = publisher;
    }

    /** A file that was taken in, and how it is to be read. */
    private record Upload(long propertyId, Path file, String name, String sheet, RowKind kind, Mapping mapping) {

        TableFile table() {
            return TableFile.of(file, sheet);
        }
    }

    /** Takes a pasted text in. */
    ImportPlan plan(long propertyId, String text) throws IOException {
        if (text.isBlank()) throw Refusal.badInput("there is nothing in it; at least one line was expected");
        return plan(propertyId, "pasted rows", new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
    }

    /** Takes a file in and says how it was understood. */
    ImportPlan plan(long propertyId, String name, InputStream content) throws IOException {
        clients.property(propertyId);
        Path file = Files.createTempFile("lucid-import-", ".part");
        Files.copy(content, file, StandardCopyOption.REPLACE_EXISTING);
        return firstPlan(propertyId, file, name);
    }

    private ImportPlan firstPlan(long propertyId, Path file, String name) throws IOException {
        file.toFile().deleteOnExit();
        try {
            return plan(UUID.randomUUID().toString(), propertyId, file, name, null, null);
        } catch (RuntimeException e) {
            Files.deleteIfExists(file);
            throw e;
        }
    }

    /** Fetches what the feed of a property answers, page by page, and says how it was understood. */
    ImportPlan planFeed(long propertyId) throws IOException, InterruptedException {
        Property property = clients.property(propertyId);
        Path file = Feed.read(property, logins.of(propertyId), json);
        return firstPlan(propertyId, file, property.address());
    }

    /** Looks at a file again, as rows of another kind or at another sheet of it. */
    ImportPlan plan(String token, RowKind kind, String sheet) {
        Upload upload = upload(token);
        return plan(token, upload.propertyId, upload.file, upload.name, kind, sheet);
    }

    private ImportPlan plan(String token, long propertyId, Path file, String name, RowKind asked, String sheet) {
        List<RowKind> kinds = kinds(clients.property(propertyId));
        if (asked != null && !kinds.contains(asked)) {
            throw Refusal.badInput("this property takes " + kinds + " in, not " + asked);
        }
        TableFile table = TableFile.of(file, sheet);
        List<List<String>> first = table.first(SAMPLE_ROWS);
        RowKind kind = asked == null ? likely(kinds, first) : asked;
        Mapping guessed = Mapping.guess(kind, first);
        String before = mapper.rememberedColumns(propertyId, kind.name(), hash(guessed));
        Mapping mapping = before == null ? guessed : remembered(guessed, before, first);
        uploads.put(token, new Upload(propertyId, file, name, sheet, kind, mapping));
        List<ImportPlan.Column> columns = new ArrayList<>();
        for (int i = 0; i < mapping.columns().size(); i++) {
            int at = i;
            List<String> samples = first.stream()
                    .skip(mapping.header() ? 1 : 0)
                    .limit(SAMPLES)
                    .map(row -> at < row.size() ? row.get(at) : "")
                    .toList();
            columns.add(new ImportPlan.Column(
                    mapping.columns().get(i), mapping.meanings().get(i), samples));
        }
        return new ImportPlan(
                token,
                name,
                table.encoding(),
                table.delimiter(),
                table.sheets(),
                table.sheets().isEmpty() ? null : sheet == null ? table.sheets().get(0) : sheet,
                kind,
                kinds,
                kind.meanings(),
                mapping.dates(),
                before != null,
                columns,
                notes(kind, mapping));
    }

    private static List<RowKind> kinds(Property property) {
        RowKind own = switch (property.kind()) {
            case "website" -> RowKind.PAGES;
            case "listings" -> RowKind.LISTINGS;
            default -> RowKind.VIDEOS;
        };
        return List.of(own, RowKind.DEMAND, RowKind.RESULTS);
    }

    /** The kind of which a file has every column that is needed; else that of the property's items. */
    private static RowKind likely(List<RowKind> kinds, List<List<String>> first) {
        for (RowKind kind : List.of(kinds.get(1), kinds.get(2), kinds.get(0))) {
            if (Mapping.guess(kind, first).isComplete(kind)) return kind;
        }
        return kinds.get(0);
    }

    private static long hash(Mapping mapping) {
        return Likeness.exactHash(String.join("\n", mapping.columns()));
    }

    /** What dates tell of the order of day and month outweighs what was said the last time. */
    private Mapping remembered(Mapping guessed, String choice, List<List<String>> first) {
        ImportChoice before = json.readValue(choice, ImportChoice.class);
        WrittenDate.Order told = Mapping.order(before.meanings(), first);
        return guessed.with(before.meanings(), told == null ? before.dates() : told);
    }

    private static List<String> notes(RowKind kind, Mapping mapping) {
        List<String> notes = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (String name : mapping.columns()) {
            if (!seen.add(name.strip().toLowerCase(Locale.ROOT))) {
                notes.add("Two columns are called “" + name + "”; the first is taken unless you say otherwise.");
            }
        }
        mapping.missing(kind)
                .forEach(meaning -> notes.add("No column looks like the " + meaning.code() + "; please choose it."));
        boolean known =
                mapping.meanings().contains(Meaning.ID) || mapping.meanings().contains(Meaning.ADDRESS);
        if (kind.isItem() && kind != RowKind.PAGES && !known) {
            notes.add("No column looks like an id or address; items are then told apart by their titles.");
        }
        return notes;
    }

    private Upload upload(String token) {
        Upload upload = uploads.get(token);
        if (upload == null) throw Refusal.notFound("this file is no longer kept; please choose it again");
        return upload;
    }

    private static Mapping checked(Upload upload, ImportChoice choice) {
        Mapping mapping = upload.mapping.with(choice.meanings(), choice.dates());
        mapping.check(upload.kind);
        if (mapping.dates() == null) {
            throw Refusal.badInput("please say whether the day or the month comes first in the dates");
        }
        return mapping;
    }

    /** Says what reading the file would do, and changes nothing. */
    ImportTrial trial(String token, ImportChoice choice) {
        Upload upload = upload(token);
        Mapping mapping = checked(upload, choice);
        Property property = clients.property(upload.propertyId);
        Trial trial = upload.kind.isItem() ? new ItemTrial(property, mapping) : new ReportTrial(upload.kind, property);
        new Intake(upload.kind, mapping).read(upload.table(), trial);
        return trial.result();
    }

    /** Counts what rows would do. */
    private abstract static class Trial implements Intake.Receiver {
        private final List<ImportTrial.Unreadable> examples = new ArrayList<>();
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

        ImportTrial result() {
            return new ImportTrial(added, changed, unchanged, gone, unreadable, examples);
        }
    }

    private final class ItemTrial extends Trial {
        private final Property property;
        private final ImportedItem maker;
        private final List<CapturedItem> waiting = new ArrayList<>(TRIAL_AT_ONCE);
        private int present;

        private ItemTrial(Property property, Mapping mapping) {
            this.property = property;
            maker = new ImportedItem(property, 0, mapping, json);
        }

        @Override
        public void row(IntakeRow row, List<String> cells) {
            waiting.add(maker.of(row, cells));
            if (waiting.size() == TRIAL_AT_ONCE) count();
        }

        private void count() {
            Captures.Difference difference = captures.difference(property.id(), waiting);
            added += difference.added();
            changed += difference.changed();
            unchanged += difference.unchanged();
            present += difference.present();
            waiting.clear();
        }

        @Override
        ImportTrial result() {
            count();
            if (property.hasTags()) gone = captures.presentItems(property.id()) - present;
            return super.result();
        }
    }

    private final class ReportTrial extends Trial {
        private final ReportedRows rows;

        private ReportTrial(RowKind kind, Property property) {
            rows = new ReportedRows(reports, kind, property.id(), 0);
        }

        @Override
        public void row(IntakeRow row, List<String> cells) {
            if (rows.isKnown(rows.of(row, cells))) changed++;
            else added++;
        }
    }

    /** Reads the file with the columns as they were put right. */
    Sweep apply(String token, ImportChoice choice) {
        Upload upload = upload(token);
        Mapping mapping = checked(upload, choice);
        ImportShape shape = ImportShape.of(upload.kind, mapping, upload.table().delimiterChar());
        long job = jobs.create(upload.propertyId, "import", "Import of " + upload.name);
        GatherMapper.Key key = new GatherMapper.Key();
        mapper.insertSweep(key, upload.propertyId, job, "import", upload.name, json.writeValueAsString(shape));
        mapper.rememberColumns(
                upload.propertyId,
                upload.kind.name(),
                hash(mapping),
                json.writeValueAsString(new ImportChoice(mapping.meanings(), mapping.dates())));
        Sweep sweep = mapper.sweep(key.id);
        uploads.remove(token);
        jobs.start(job, progress -> {
            try {
                return run(sweep, upload, mapping, progress);
            } finally {
                Files.deleteIfExists(upload.file);
            }
        });
        return sweep;
    }

    /** The shape of the file that a sweep read; empty where it was a crawl. */
    public Optional<ImportShape> shapeOfSweep(long sweepId) {
        Sweep sweep = mapper.sweep(sweepId);
        if (sweep == null || !sweep.kind().equals("import")) return Optional.empty();
        return Optional.of(json.readValue(mapper.settings(sweepId), ImportShape.class));
    }

    /** The shape of the file that a property's items last came from. */
    public ImportShape shape(long propertyId) {
        return mapper.sweeps(propertyId).stream()
                .filter(sweep -> sweep.kind().equals("import") && sweep.state().equals("done"))
                .map(sweep -> json.readValue(mapper.settings(sweep.id()), ImportShape.class))
                .filter(shape -> shape.kind().isItem())
                .findFirst()
                .orElseThrow(() -> Refusal.conflict(
                        "this property was not filled from a file, so there is no shape to hand it back in"));
    }

    private String run(Sweep sweep, Upload upload, Mapping mapping, Progress progress) {
        try {
            String note = upload.kind.isItem()
                    ? readItems(sweep, upload, mapping, progress)
                    : readReports(sweep, upload, mapping, progress);
            mapper.endSweep(sweep.id(), "done");
            return note;
        } catch (RuntimeException e) {
            mapper.endSweep(sweep.id(), "failed");
            throw e;
        } finally {
            items.changed(sweep.propertyId());
        }
    }

    private String readItems(Sweep sweep, Upload upload, Mapping mapping, Progress progress) {
        Property property = clients.property(sweep.propertyId());
        ImportedItem maker = new ImportedItem(property, sweep.id(), mapping, json);
        ImportReading<CapturedItem> reading =
                new ImportReading<>(sweep, mapper, progress, maker::of, rows -> stored(property, sweep, rows));
        transaction.executeWithoutResult(status -> {
            new Intake(upload.kind, mapping).read(upload.table(), reading);
            reading.flush();
            if (property.hasTags()) captures.markGoneByImport(sweep.propertyId(), sweep.id());
        });
        publisher.publishEvent(new SweepEnded(sweep.propertyId(), sweep.id()));
        String thing = upload.kind.name().toLowerCase(Locale.ROOT).replaceFirst("s$", "");
        return said(Counted.of(reading.read(), thing) + " read", reading.unreadable());
    }

    private List<ImportReading.Line> stored(Property property, Sweep sweep, List<CapturedItem> rows) {
        List<Captures.Stored> stored = captures.storeImported(property.id(), sweep.id(), rows);
        List<ImportReading.Line> lines = new ArrayList<>(rows.size());
        for (int i = 0; i < rows.size(); i++) {
            Captures.Stored each = stored.get(i);
            String became = each.isNew() ? "new" : each.changed() ? "changed" : "unchanged";
            lines.add(new ImportReading.Line(rows.get(i).address(), became, each.itemId(), each.captureId()));
        }
        return lines;
    }

    private String readReports(Sweep sweep, Upload upload, Mapping mapping, Progress progress) {
        ReportedRows rows = new ReportedRows(reports, upload.kind, sweep.propertyId(), sweep.id());
        ImportReading<Record> reading = new ImportReading<>(sweep, mapper, progress, rows::of, rows::store);
        transaction.executeWithoutResult(status -> {
            new Intake(upload.kind, mapping).read(upload.table(), reading);
            reading.flush();
        });
        String thing = upload.kind == RowKind.DEMAND ? "row of demand" : "result";
        String count = reading.read() == 1 || upload.kind != RowKind.DEMAND
                ? Counted.of(reading.read(), thing)
                : String.format(Locale.ROOT, "%,d rows of demand", reading.read());
        String replaced = rows.replaced() == 0
                ? ""
                : ", " + String.format(Locale.ROOT, "%,d", rows.replaced()) + " of them in the place of earlier ones";
        return said(count + " read" + replaced, reading.unreadable());
    }

    private static String said(String read, int unreadable) {
        return read + (unreadable == 0 ? "." : ", " + Counted.of(unreadable, "row") + " could not be read.");
    }

    /** Puts the items back as they were before the last import; drafts, targets and keeps stay as they are. */
    Sweep takeBack(long sweepId) {
        Sweep sweep = mapper.sweep(sweepId);
        if (sweep == null) throw Refusal.notFound("there is no sweep " + sweepId);
        Property property = clients.property(sweep.propertyId());
        boolean last = mapper.sweeps(property.id()).stream()
                .filter(each -> !each.state().equals("failed") && !each.state().equals("taken-back"))
                .findFirst()
                .filter(each -> each.id() == sweepId)
                .isPresent();
        if (!last || !sweep.kind().equals("import") || !sweep.state().equals("done")) {
            throw Refusal.conflict("only the last import can be taken back, and only where no sweep came after it");
        }
        ImportShape shape = json.readValue(mapper.settings(sweepId), ImportShape.class);
        if (!shape.kind().isItem()) throw Refusal.conflict("demand and results are not taken back; import them anew");
        transaction.executeWithoutResult(status -> {
            captures.takeBack(property, sweepId);
            mapper.endSweep(sweepId, "taken-back");
        });
        publisher.publishEvent(new SweepEnded(property.id(), sweepId));
        items.changed(property.id());
        return mapper.sweep(sweepId);
    }
}
