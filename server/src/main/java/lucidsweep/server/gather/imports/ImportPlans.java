package lucidsweep.server.gather.imports;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import lucidsweep.core.column.GuessedColumns;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.text.TextKey;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyRemovedForGood;
import lucidsweep.server.intake.Mapping;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import org.springframework.context.event.EventListener;
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
    private record Upload(
            long propertyId,
            String name,
            String sheet,
            RowKind kind,
            Mapping mapping,
            GuessedColumns guessed,
            List<Meaning> agreed) {

        private List<ImportPlan.Question> questions(List<Meaning> meanings, List<List<String>> first) {
            return guessed.questions(kind, meanings, first).stream()
                    .map(question -> new ImportPlan.Question(
                            question.meaning(),
                            question.column(),
                            question.sentence(),
                            agreed.contains(question.meaning())))
                    .toList();
        }
    }

    /** A file with its columns as they were put right: ready to be read. */
    record Checked(
            String token,
            long propertyId,
            String name,
            String sheet,
            RowKind kind,
            Mapping mapping,
            LocalDate takenOn,
            List<Meaning> leaveEmpty) {}

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
        // Files that were left alone for a day are gone.
        planned.keySet().removeIf(each -> !Files.exists(uploads.file(each)));
        try {
            return plan(token, propertyId, name, null, null);
        } catch (RuntimeException e) {
            uploads.remove(token);
            throw e;
        }
    }

    /** Lets go of a file that will not be taken in. */
    public void drop(String token) {
        planned.remove(token);
        uploads.remove(token);
    }

    /** Files that were taken in and not read go with their property. */
    @EventListener
    void removed(PropertyRemovedForGood property) {
        planned.entrySet().stream()
                .filter(plan -> plan.getValue().propertyId == property.propertyId())
                .map(Map.Entry::getKey)
                .toList()
                .forEach(this::drop);
    }

    /** Takes a file in that was fetched, as rows of a kind (null: as it looks), and says how its columns were understood. */
    public ImportChoice plan(String token, long propertyId, String name, RowKind kind) {
        plan(token, propertyId, name, kind, null);
        Upload upload = upload(token);
        return new ImportChoice(upload.mapping.meanings(), upload.mapping.dates(), null, upload.agreed);
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
        TableFile table = uploads.table(token, sheet);
        List<List<String>> first = table.first(SAMPLE_ROWS);
        Map<RowKind, GuessedColumns> byKind = GuessedColumns.of(asked == null ? kinds : List.of(asked), first);
        RowKind kind = asked == null ? likely(kinds, byKind, first) : asked;
        GuessedColumns guessed = byKind.get(kind);
        Mapping mapping = Mapping.of(guessed, first);
        String stored = mapper.rememberedColumns(propertyId, kind.name(), hash(mapping));
        ImportChoice before = stored == null ? null : json.readValue(stored, ImportChoice.class);
        if (before != null) mapping = remembered(mapping, before, first);
        List<Meaning> agreed = before == null ? List.of() : before.agreed();
        Upload upload = new Upload(propertyId, name, table.sheet(), kind, mapping, guessed, agreed);
        planned.put(token, upload);
        return new ImportPlan(
                token,
                name,
                new ImportPlan.FileFormat(table.encoding(), table.delimiter(), table.sheets(), table.sheet()),
                kind,
                kinds,
                kind.meanings(),
                mapping.dates(),
                before != null,
                columns(guessed, mapping, first),
                table.above(),
                notes(kind, mapping),
                upload.questions(mapping.meanings(), first));
    }

    private static List<ImportPlan.Column> columns(GuessedColumns guessed, Mapping mapping, List<List<String>> first) {
        List<ImportPlan.Column> columns = new ArrayList<>();
        for (int i = 0; i < mapping.columns().size(); i++) {
            int at = i;
            List<String> samples = first.stream()
                    .skip(mapping.header() ? 1 : 0)
                    .limit(SAMPLES)
                    .map(row -> at < row.size() ? row.get(at) : "")
                    .toList();
            Meaning meaning = mapping.meanings().get(i);
            double sure = meaning == guessed.columns().get(i).meaning()
                    ? guessed.columns().get(i).sure()
                    : 1;
            columns.add(new ImportPlan.Column(mapping.columns().get(i), meaning, sure, samples));
        }
        return columns;
    }

    /** What has to be agreed to with other meanings of the columns. */
    List<ImportPlan.Question> questions(String token, ImportChoice choice) {
        return questions(token, upload(token).mapping.with(choice.meanings(), choice.dates()));
    }

    /** The file is looked at again: its rows may be large, and plans that nobody goes on with are many. */
    private List<ImportPlan.Question> questions(String token, Mapping mapping) {
        Upload upload = upload(token);
        TableFile table = uploads.table(token, upload.sheet);
        return upload.questions(mapping.meanings(), table.first(SAMPLE_ROWS));
    }

    private static List<RowKind> kinds(Property property) {
        RowKind own = switch (property.kind()) {
            case WEBSITE -> RowKind.PAGES;
            case LISTINGS -> RowKind.LISTINGS;
            default -> RowKind.VIDEOS;
        };
        return List.of(own, RowKind.DEMAND, RowKind.RESULTS);
    }

    /** The kind whose columns the file has; a table of items may also say how often they were shown and clicked. */
    private static RowKind likely(List<RowKind> kinds, Map<RowKind, GuessedColumns> guessed, List<List<String>> first) {
        Mapping demand = Mapping.of(guessed.get(RowKind.DEMAND), first);
        Mapping results = Mapping.of(guessed.get(RowKind.RESULTS), first);
        Mapping items = Mapping.of(guessed.get(kinds.get(0)), first);
        boolean query = demand.meanings().contains(Meaning.QUERY);
        boolean titles = items.meanings().contains(Meaning.TITLE);
        if (demand.isComplete(RowKind.DEMAND) && (query || !titles)) return RowKind.DEMAND;
        return results.isComplete(RowKind.RESULTS) ? RowKind.RESULTS : kinds.get(0);
    }

    private static long hash(Mapping mapping) {
        return TextKey.exactHash(String.join("\n", mapping.columns()));
    }

    /** What dates tell of the order of day and month outweighs what was said the last time. */
    private static Mapping remembered(Mapping guessed, ImportChoice before, List<List<String>> first) {
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
                .forEach(any -> notes.add("No column looks like the " + Mapping.either(any) + "; please choose it."));
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
            throw Refusal.badInput("the file's day is in the future: " + choice.takenOn());
        }
        return new Checked(
                token,
                upload.propertyId,
                upload.name,
                upload.sheet,
                upload.kind,
                mapping,
                choice.takenOn(),
                choice.agreed());
    }

    /**
     * Refuses a file that would leave a text empty on all items, where nobody agreed to that.
     *
     * @throws Refusal with the questions
     */
    void checkAgreed(Checked file) {
        String open = questions(file.token, file.mapping).stream()
                .filter(question -> !file.leaveEmpty.contains(question.meaning()))
                .map(ImportPlan.Question::sentence)
                .collect(Collectors.joining(" "));
        if (!open.isEmpty()) {
            throw Refusal.conflict(open + " Choose the columns, or agree to leave them empty.");
        }
    }

    /** Remembers what the columns were taken for, and hands the file over to be read. */
    void handOver(Checked file) {
        mapper.rememberColumns(
                file.propertyId,
                file.kind.name(),
                hash(file.mapping),
                json.writeValueAsString(
                        new ImportChoice(file.mapping.meanings(), file.mapping.dates(), null, file.leaveEmpty)));
        planned.remove(file.token);
    }
}
