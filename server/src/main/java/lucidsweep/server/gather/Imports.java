package lucidsweep.server.gather;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Likeness;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.CapturedItem;
import lucidsweep.server.item.Captures;
import lucidsweep.server.item.Items;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.table.RowReader;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Imports listings from delimited files. */
@Service
public class Imports {

    private static final int SAMPLES = 4;
    private static final int AT_ONCE = 500;

    private final GatherMapper mapper;
    private final Captures captures;
    private final Clients clients;
    private final Items items;
    private final Jobs jobs;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final ApplicationEventPublisher publisher;
    private final Map<String, Upload> uploads = new ConcurrentHashMap<>();

    Imports(
            GatherMapper mapper,
            Captures captures,
            Clients clients,
            Items items,
            Jobs jobs,
            TransactionTemplate transaction,
            JsonMapper json,
            ApplicationEventPublisher publisher) {
        this.mapper = mapper;
        this.captures = captures;
        this.clients = clients;
        this.items = items;
        this.jobs = jobs;
        this.transaction = transaction;
        this.json = json;
        this.publisher = publisher;
    }

    private record Upload(long propertyId, Path file, String name) {}

    /** The row of a listing as it stood in its file; kept with the capture so that it can be handed back in its shape. */
    public record Row(List<String> cells) {}

    /** The shape of an imported file: its columns with their meanings, in their order. */
    public record Shape(List<String> columns, List<ListingColumn> meanings, char delimiter) {

        /** Where the column of a meaning stands; -1 where there is none. */
        public int of(String field) {
            return meanings.indexOf(ListingColumn.valueOf(field.toUpperCase(java.util.Locale.ROOT)));
        }
    }

    /** Takes a file in and says how it was understood. */
    ImportPlan plan(long propertyId, String name, InputStream content) throws IOException {
        Property property = clients.property(propertyId);
        if (!property.kind().equals("listings")) {
            throw Refusal.badInput("a " + property.kind() + " property cannot be filled from a listings file");
        }
        Path file = Files.createTempFile("lucid-import-", ".csv");
        file.toFile().deleteOnExit();
        Files.copy(content, file, java.nio.file.StandardCopyOption.REPLACE_EXISTING);
        TableFile table = TableFile.of(file);
        List<List<String>> first = table.first(SAMPLES + 1);
        List<String> header = first.get(0);
        List<ListingColumn> meanings = ListingColumn.guess(header);
        List<ImportPlan.Column> columns = new ArrayList<>();
        for (int i = 0; i < header.size(); i++) {
            int at = i;
            columns.add(new ImportPlan.Column(
                    header.get(i),
                    meanings.get(i),
                    first.stream()
                            .skip(1)
                            .map(row -> at < row.size() ? row.get(at) : "")
                            .toList()));
        }
        String token = UUID.randomUUID().toString();
        uploads.put(token, new Upload(propertyId, file, name));
        return new ImportPlan(
                token, name, table.encoding(), delimiterName(table.delimiterChar()), columns, notes(header, meanings));
    }

    private static List<String> notes(List<String> header, List<ListingColumn> meanings) {
        List<String> notes = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (String name : header) {
            if (!seen.add(name.strip().toLowerCase(java.util.Locale.ROOT))) {
                notes.add("Two columns are called “" + name + "”; the first is taken unless you say otherwise.");
            }
        }
        if (!meanings.contains(ListingColumn.TITLE)) notes.add("No column looks like the title; please choose it.");
        if (!meanings.contains(ListingColumn.ID) && !meanings.contains(ListingColumn.ADDRESS)) {
            notes.add("No column looks like an id or address; listings are then told apart by their titles.");
        }
        return notes;
    }

    /** Reads the file with the columns as they were put right. */
    Sweep apply(String token, List<ListingColumn> meanings) {
        Upload upload = uploads.get(token);
        if (upload == null) throw Refusal.notFound("this file is no longer kept; please choose it again");
        TableFile table = TableFile.of(upload.file);
        List<String> header = table.first(1).get(0);
        if (meanings.size() != header.size()) {
            throw Refusal.badInput(
                    "expected a meaning for each of " + header.size() + " columns, got " + meanings.size());
        }
        if (!meanings.contains(ListingColumn.TITLE)) throw Refusal.badInput("one column must be the title");
        for (ListingColumn meaning : ListingColumn.values()) {
            if (meaning != ListingColumn.UNUSED && meanings.indexOf(meaning) != meanings.lastIndexOf(meaning)) {
                throw Refusal.badInput(
                        "two columns are both taken for the " + meaning.name().toLowerCase(java.util.Locale.ROOT));
            }
        }
        long job = jobs.create(upload.propertyId, "import", "Import of " + upload.name);
        GatherMapper.Key key = new GatherMapper.Key();
        Shape shape = new Shape(header, meanings, table.delimiterChar());
        mapper.insertSweep(key, upload.propertyId, job, "import", upload.name, json.writeValueAsString(shape));
        Sweep sweep = mapper.sweep(key.id);
        uploads.remove(token);
        jobs.start(job, progress -> {
            try {
                return run(sweep, table, shape, progress);
            } finally {
                Files.deleteIfExists(upload.file);
            }
        });
        return sweep;
    }

    /** The shape of the file that a property was last filled from. */
    public Shape shape(long propertyId) {
        return mapper.sweeps(propertyId).stream()
                .filter(sweep -> sweep.kind().equals("import") && !sweep.state().equals("failed"))
                .findFirst()
                .map(sweep -> json.readValue(mapper.settings(sweep.id()), Shape.class))
                .orElseThrow(() -> Refusal.conflict(
                        "this property was not filled from a file, so there is no shape to hand it back in"));
    }

    private String run(Sweep sweep, TableFile table, Shape shape, Progress progress) {
        Reading reading = new Reading(clients.property(sweep.propertyId()), sweep, shape, progress);
        try {
            transaction.executeWithoutResult(status -> {
                table.read(reading);
                reading.flush();
                captures.markGone(sweep.propertyId(), sweep.id());
            });
            publisher.publishEvent(new SweepEnded(sweep.propertyId(), sweep.id()));
            mapper.endSweep(sweep.id(), "done");
            items.changed(sweep.propertyId());
        } catch (RuntimeException e) {
            mapper.endSweep(sweep.id(), "failed");
            throw e;
        }
        return Counted.of(reading.captured, "listing") + " read"
                + (reading.unreadable == 0
                        ? "."
                        : ", " + Counted.of(reading.unreadable, "row") + " could not be read.");
    }

    private final class Reading implements RowReader {
        private final Property property;
        private final Standard standard;
        private final Sweep sweep;
        private final Shape shape;
        private final Progress progress;
        private final Map<Long, Long> lines = new HashMap<>();
        private final List<CapturedItem> waiting = new ArrayList<>(AT_ONCE);
        private final List<GatherMapper.NewVisit> visits = new ArrayList<>(AT_ONCE);
        private boolean headerRead;
        private long visited;
        private int captured;
        private int unreadable;

        private Reading(Property property, Sweep sweep, Shape shape, Progress progress) {
            this.property = property;
            this.standard = property.standard();
            this.sweep = sweep;
            this.shape = shape;
            this.progress = progress;
        }

        @Override
        public void row(long line, List<String> cells) {
            if (!headerRead) {
                headerRead = true;
                return;
            }
            if (progress.stopAsked()) throw Refusal.conflict("Stopped; nothing was imported.");
            String title = cell(cells, ListingColumn.TITLE);
            String address = cell(cells, ListingColumn.ADDRESS);
            String id = cell(cells, ListingColumn.ID);
            String identity = !id.isEmpty() ? id : !address.isEmpty() ? address : title;
            if (identity.isEmpty()) {
                unreadable(line, "there is no id, no address and no title");
                return;
            }
            Long before = lines.putIfAbsent(Likeness.exactHash(identity), line);
            if (before != null) {
                unreadable(line, "the same listing as in line " + before + " (" + identity + "); the first is kept");
                return;
            }
            waiting.add(item(cells, identity, address.isEmpty() ? identity : address, title));
            captured++;
            if (waiting.size() == AT_ONCE) flush();
            progress.report(captured, 0);
        }

        @Override
        public void unreadable(long line, String reason) {
            unreadable++;
            visits.add(visit("line " + line, Outcome.UNREADABLE, reason));
        }

        private CapturedItem item(List<String> cells, String identity, String address, String title) {
            String description = cell(cells, ListingColumn.DESCRIPTION);
            String tags = TagList.join(TagList.of(cell(cells, ListingColumn.TAGS)));
            String section = cell(cells, ListingColumn.SECTION);
            return new CapturedItem(
                    property.id(),
                    sweep.id(),
                    clip(address, 2_100),
                    identity,
                    clip(section, 300),
                    200,
                    "",
                    null,
                    "",
                    -1,
                    "",
                    "",
                    property.language(),
                    "",
                    clip(cell(cells, ListingColumn.PRICE), 100),
                    -1,
                    List.of(
                            CapturedItem.Text.of("title", title.isEmpty() ? 0 : 1, title, standard),
                            CapturedItem.Text.of("description", description.isEmpty() ? 0 : 1, description, standard),
                            CapturedItem.Text.of("tags", 1, tags, standard)),
                    CapturedItem.Content.of(json.writeValueAsString(new Row(cells)), description, ""));
        }

        private void flush() {
            List<Captures.Stored> stored = captures.store(property.id(), waiting);
            for (int i = 0; i < waiting.size(); i++) {
                Captures.Stored each = stored.get(i);
                String became = each.isNew() ? "new" : each.changed() ? "changed" : "unchanged";
                visits.add(visit(waiting.get(i).address(), Outcome.CAPTURED, became));
            }
            if (!visits.isEmpty()) mapper.insertVisits(Columns.of(visits));
            waiting.clear();
            visits.clear();
        }

        private GatherMapper.NewVisit visit(String address, Outcome outcome, String detail) {
            return new GatherMapper.NewVisit(
                    IdRange.id(sweep.id(), visited++), address, 0, "", outcome.code(), clip(detail, 2_000));
        }

        private String cell(List<String> cells, ListingColumn meaning) {
            int at = shape.meanings().indexOf(meaning);
            return at < 0 ? "" : cells.get(at).strip();
        }

        private static String clip(String text, int most) {
            return text.length() <= most ? text : text.substring(0, most);
        }
    }

    private static String delimiterName(char delimiter) {
        return switch (delimiter) {
            case '\t' -> "tab";
            case ';' -> "semicolon";
            case '|' -> "bar";
            default -> "comma";
        };
    }
}
