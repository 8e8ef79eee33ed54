package lucidsweep.server.rewrite.writer;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.writer.Input;
import lucidsweep.core.writer.Instruction;
import lucidsweep.core.writer.Message;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.PickedItems;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.web.Refusal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

@RestController
@RequestMapping("/api")
class WriterController {

    private static final int MOST_ROWS = 500;
    private static final TypeReference<List<CellProblem>> PROBLEMS = new TypeReference<>() {};

    private final TextServices services;
    private final WriterColumns columns;
    private final WriterCellMapper cells;
    private final WriterRuns runs;
    private final PickedItems picked;
    private final SetStandards standards;
    private final Items items;
    private final Clients clients;
    private final JsonMapper json;

    WriterController(
            TextServices services,
            WriterColumns columns,
            WriterCellMapper cells,
            WriterRuns runs,
            PickedItems picked,
            SetStandards standards,
            Items items,
            Clients clients,
            JsonMapper json) {
        this.services = services;
        this.columns = columns;
        this.cells = cells;
        this.runs = runs;
        this.picked = picked;
        this.standards = standards;
        this.items = items;
        this.clients = clients;
        this.json = json;
    }

    /** How the service is reached; nothing where none is set up yet. */
    record ServiceView(@Nullable ServiceSettings settings) {}

    /** What the service said when it was tried. */
    record Trial(String answer, int tokensIn, int tokensOut) {}

    /**
     * A column; id 0 for a new one.
     *
     * @param makes title, description or tags; null for a note
     * @param after the names of columns whose answers go with it
     */
    record ColumnForm(
            long id,

            @NotBlank(message = "is needed") @Size(max = 100, message = "has at most 100 characters")
            String name,

            @Nullable Field makes,

            @NotBlank(message = "are needed") @Size(max = 20_000, message = "have at most 20,000 characters")
            String words,

            @NotNull List<@NotNull Input> inputs,
            @NotNull List<@NotNull String> after,

            @Min(value = 0, message = "is from 0 to 100,000") @Max(value = 100_000, message = "is from 0 to 100,000")
            int maxChars) {}

    /** A column with how far it is. */
    record WriterColumn(
            long id,
            String name,
            @Nullable Field makes,
            String words,
            List<Input> inputs,
            List<String> after,
            int maxChars,
            int done,
            int failed,
            int waiting,
            double cost) {}

    /**
     * What is asked for.
     *
     * @param among the name under which items are picked, to ask for no others; null for all that are selected
     * @param ceiling the most that it may cost; null for no limit
     */
    record RunForm(
            @Valid @NotNull Selection selection,

            @Nullable @Size(max = 200, message = "has at most 200 characters")
            String among,

            @NotNull List<@NotNull Long> columnIds,

            @Nullable @Positive(message = "is more than 0") Double ceiling) {}

    record RunBegun(long jobId) {}

    /** What is wrong with an answer; words that it is about, "" where it is all of it. */
    record CellProblem(String words, String says) {}

    /**
     * An answer.
     *
     * @param answer null where there is none yet
     * @param fit held to the limits of its item; null for tags and notes
     * @param asked how many answers were looked at
     * @param retried how often the service had to be asked again
     */
    record CellView(
            long columnId,
            long itemId,
            CellState state,
            @Nullable String answer,
            @Nullable LimitCheck fit,
            List<CellProblem> problems,
            int asked,
            int retried,
            double cost) {}

    record CellForm(long columnId, long itemId) {}

    /** Under which name items are picked; ask for a table among them. */
    record PickedName(String among, int items) {}

    @GetMapping("/writer/service")
    ServiceView service() {
        return new ServiceView(services.settings());
    }

    @PutMapping("/writer/service")
    ServiceView save(@Valid @RequestBody ServiceSettings settings) {
        services.save(settings);
        return service();
    }

    /** Asks the service for one word, to see whether it answers. */
    @PostMapping("/writer/service/trial")
    Trial trial() throws InterruptedException {
        TextServiceClient client = services.client(services.needed());
        List<Message> messages = List.of(
                new Message(Message.Role.USER, "Answer with one JSON object and nothing else: {\"text\": \"ready\"}"));
        try {
            TextServiceClient.Answered answer =
                    client.ask(client.body(messages, 50), "trial-" + System.nanoTime(), () -> false);
            return new Trial(answer.text(), answer.tokensIn(), answer.tokensOut());
        } catch (TextServiceClient.NoAnswer e) {
            throw Refusal.badInput(e.getMessage());
        }
    }

    @GetMapping("/properties/{propertyId}/writer/columns")
    List<WriterColumn> columns(@PathVariable long propertyId) {
        Map<Long, Map<CellState, WriterCellMapper.Count>> counts = new HashMap<>();
        for (WriterCellMapper.Count count : cells.counts(propertyId)) {
            counts.computeIfAbsent(count.columnId(), any -> new EnumMap<>(CellState.class))
                    .put(count.state(), count);
        }
        return columns.ofProperty(propertyId).stream()
                .map(column -> view(column, counts.getOrDefault(column.id(), Map.of())))
                .toList();
    }

    private static WriterColumn view(Instruction column, Map<CellState, WriterCellMapper.Count> counts) {
        return new WriterColumn(
                column.id(),
                column.name(),
                column.makes(),
                column.words(),
                column.inputs(),
                column.after(),
                column.maxChars(),
                cells(counts.get(CellState.DONE)),
                cells(counts.get(CellState.FAILED)),
                cells(counts.get(CellState.WAITING)),
                counts.values().stream()
                        .mapToDouble(WriterCellMapper.Count::cost)
                        .sum());
    }

    private static int cells(WriterCellMapper.Count count) {
        return count == null ? 0 : count.cells();
    }

    @PostMapping("/properties/{propertyId}/writer/columns")
    void saveColumn(@PathVariable long propertyId, @Valid @RequestBody ColumnForm form) {
        columns.save(
                propertyId,
                new Instruction(
                        form.id(),
                        form.name(),
                        form.makes(),
                        form.words(),
                        form.inputs(),
                        form.after(),
                        form.maxChars()));
    }

    @DeleteMapping("/properties/{propertyId}/writer/columns/{id}")
    void deleteColumn(@PathVariable long propertyId, @PathVariable long id) {
        columns.delete(propertyId, id);
    }

    /** Picks the items whose cell of a column is in a state, so that a table can be narrowed to them. */
    @PostMapping("/properties/{propertyId}/writer/columns/{id}/pick")
    PickedName pick(@PathVariable long propertyId, @PathVariable long id, @RequestParam CellState state) {
        columns.find(propertyId, id);
        long[] ids = cells.items(id, state).stream().mapToLong(Long::longValue).toArray();
        String name = "writer " + id + " " + state;
        picked.put(name, ids);
        return new PickedName(name, ids.length);
    }

    @PostMapping("/properties/{propertyId}/writer/estimate")
    WriterRuns.Estimate estimate(@PathVariable long propertyId, @Valid @RequestBody RunForm form) {
        return runs.estimate(propertyId, ids(propertyId, form), form.columnIds());
    }

    @PostMapping("/properties/{propertyId}/writer/runs")
    RunBegun begin(@PathVariable long propertyId, @Valid @RequestBody RunForm form) {
        return new RunBegun(runs.begin(propertyId, ids(propertyId, form), form.columnIds(), form.ceiling()));
    }

    private long[] ids(long propertyId, RunForm form) {
        long[] ids = form.selection().resolve(propertyId, items);
        return form.among() == null ? ids : picked.among(form.among(), ids);
    }

    /** The run of which cells still wait; job 0 where none do. */
    @GetMapping("/properties/{propertyId}/writer/unfinished")
    WriterRuns.Unfinished unfinished(@PathVariable long propertyId) {
        clients.property(propertyId);
        return runs.unfinished(propertyId);
    }

    /** @param ceiling the most that the whole run may cost; null for no limit */
    record ResumeForm(
            @Nullable @Positive(message = "is more than 0") Double ceiling) {}

    @PostMapping("/writer/runs/{jobId}/resume")
    void resume(@PathVariable long jobId, @Valid @RequestBody ResumeForm form) {
        runs.resume(jobId, form.ceiling());
    }

    @PostMapping("/writer/runs/{jobId}/give-up")
    void giveUp(@PathVariable long jobId) {
        runs.giveUp(jobId);
    }

    @GetMapping("/properties/{propertyId}/writer/cells")
    List<CellView> cells(@PathVariable long propertyId, @RequestParam long[] ids) {
        if (ids.length > MOST_ROWS) {
            throw Refusal.badInput("expected at most " + MOST_ROWS + " items at once, got " + ids.length);
        }
        Map<Long, Field> makes = new HashMap<>();
        columns.ofProperty(propertyId).forEach(column -> makes.put(column.id(), column.makes()));
        ItemStandards.Held held = standards.of(clients.property(propertyId)).held(ids);
        return cells.cells(propertyId, Arrays.stream(ids).boxed().toArray()).stream()
                .map(cell -> view(cell, makes.get(cell.columnId()), held.standard(cell.itemId())))
                .toList();
    }

    private CellView view(WriterCellMapper.Line cell, Field makes, Standard standard) {
        boolean measured = cell.answer() != null && (makes == Field.TITLE || makes == Field.DESCRIPTION);
        return new CellView(
                cell.columnId(),
                cell.itemId(),
                cell.state(),
                cell.answer(),
                measured ? LimitCheck.of(cell.answer(), standard.limits(makes)) : null,
                cell.problems() == null || cell.state() == CellState.WAITING
                        ? List.of()
                        : json.readValue(cell.problems(), PROBLEMS),
                cell.asked(),
                cell.retried(),
                cell.cost());
    }

    /** Lets an answer be used although something was found wrong with it. */
    @PostMapping("/properties/{propertyId}/writer/cells/use")
    void use(@PathVariable long propertyId, @RequestBody CellForm form) {
        columns.find(propertyId, form.columnId());
        items.requireOf(propertyId, form.itemId());
        WriterCellMapper.Line cell = cells.cell(form.columnId(), form.itemId());
        if (cell == null
                || cell.state() != CellState.FAILED
                || cell.answer() == null
                || cell.answer().isBlank()) {
            throw Refusal.conflict("there is no answer here that could be used");
        }
        cells.set(new WriterCellMapper.Line(
                cell.columnId(), cell.itemId(), CellState.DONE, cell.answer(), null, cell.asked(), cell.retried(), 0));
        clients.touch(propertyId);
    }
}
