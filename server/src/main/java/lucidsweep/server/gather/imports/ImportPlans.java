package lucidsweep.server.gather.imports;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import lucidsweep.core.text.TextKey;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.intake.Meaning;
import lucidsweep.server.intake.RowKind;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Takes files in and says how they are understood, before anything of them is stored. */
@Service
public class ImportPlans {

    private static final int SAMPLES = 4;
    private static final int SAMPLE_ROWS = 2_000;

    private final ImportMapper mapper;
    private final Uploads uploads;
    private final Clients clients;
    private final JsonMapper json;
    private final Map<String, Upload> planned = new ConcurrentHashMap<>();

    ImportPlans(ImportMapper mapper, Uploads uploads, Clients clients, JsonMapper json) {
        this.mapper = mapper;
        this.uploads = uploads;
        this.clients = clients;
        this.json = json;
    }

    /** A file that was taken in, and how it is understood so far. */
    private record Upload(long propertyId, String name, String sheet, RowKind kind, Mapping mapping) {}

    /** A file with its columns as they were put right: ready to be read. */
    record Checked(
            String token,
            long propertyId,
            String name,
            String sheet,
            RowKind kind,
            Mapping mapping,
            LocalDate takenOn) {}

    /** Takes a pasted text in. */
    ImportPlan plan(long propertyId, String text) throws IOException {
        if (text.isBlank()) throw Refusal.badInput("there is nothing in it; at least one line was expected");
        return plan(propertyId, "pasted rows", new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
    }

    /** Takes a file in and says how it was understood. */
    ImportPlan plan(long propertyId, String name, InputStream content) throws IOException {
        clients.property(propertyId);
        return firstPlan(uploads.add(content), propertyId, name);
    }

    private ImportPlan firstPlan(String token, long propertyId, String name) {
        try {
            return plan(token, propertyId, name, null, null);
        } catch (RuntimeException e) {
            uploads.remove(token);
            throw e;
        }
    }

    /** Lets go of a file that will not be taken in. */
    public void drop(String token) {
        uploads.remove(token);
    }

    /** Takes a file in that was fetched, as rows of a kind (null: as it looks), and says how its columns were understood. */
    public ImportChoice plan(String token, long propertyId, String name, RowKind kind) {
        plan(token, propertyId, name, kind, null);
        Mapping mapping = upload(token).mapping;
        return new ImportChoice(mapping.meanings(), mapping.dates(), null);
    }

    /** Looks at a file again, as rows of another kind or at another sheet of it. */
    ImportPlan plan(String token, RowKind kind, String sheet) {
        Upload upload = upload(token);
        return plan(token, upload.propertyId, upload.name, kind, sheet);
    }

    private ImportPlan plan(String token, long propertyId, String name, RowKind asked, String sheet) {
        List<RowKind> kinds = kinds(clients.property(propertyId));
        if (asked != null && !kinds.contains(asked)) {
            throw Refusal.badInput("this property takes " + kinds + " in, not " + asked);
        }
        TableFile table = TableFile.of(uploads.file(token), sheet);
        List<List<String>> first = table.first(SAMPLE_ROWS);
        RowKind kind = asked == null ? likely(kinds, first) : asked;
        Mapping guessed = Mapping.guess(kind, first);
        String before = mapper.rememberedColumns(propertyId, kind.name(), hash(guessed));
        Mapping mapping = before == null ? guessed : remembered(guessed, before, first);
        planned.put(token, new Upload(propertyId, name, sheet, kind, mapping));
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
        return TextKey.exactHash(String.join("\n", mapping.columns()));
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
        Upload upload = planned.get(token);
        if (upload == null) throw Refusal.notFound("this file is no longer kept; please choose it again");
        return upload;
    }

    /**
     * A file with its columns as somebody put them right.
     *
     * @throws Refusal where something is missing
     */
    Checked checked(String token, ImportChoice choice) {
        Upload upload = upload(token);
        Mapping mapping = upload.mapping.with(choice.meanings(), choice.dates());
        mapping.check(upload.kind);
        if (mapping.dates() == null) {
            throw Refusal.badInput("please say whether the day or the month comes first in the dates");
        }
        if (choice.takenOn() != null && choice.takenOn().isAfter(LocalDate.now())) {
            throw Refusal.badInput("the day that the file is of lies ahead: " + choice.takenOn());
        }
        return new Checked(token, upload.propertyId, upload.name, upload.sheet, upload.kind, mapping, choice.takenOn());
    }

    /** Remembers what the columns were taken for, and hands the file over to be read. */
    void handOver(Checked file) {
        mapper.rememberColumns(
                file.propertyId,
                file.kind.name(),
                hash(file.mapping),
                json.writeValueAsString(new ImportChoice(file.mapping.meanings(), file.mapping.dates(), null)));
        planned.remove(file.token);
    }
}
