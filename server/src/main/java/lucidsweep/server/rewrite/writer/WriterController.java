package lucidsweep.server.rewrite.writer;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Positive;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.core.writer.Input;
import lucidsweep.core.writer.Instruction;
import lucidsweep.core.writer.Message;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.PickedItems;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.outside.PatientClient;
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

@RestController
@RequestMapping("/api")
class WriterController {

    private final TextServices services;
    private final WriterColumns columns;
    private final WriterCells cells;
    private final WriterRuns runs;
    private final PickedItems picked;
    private final Items items;
    private final Clients clients;

    WriterController(
            TextServices services,
            WriterColumns columns,
            WriterCells cells,
            WriterRuns runs,
            PickedItems picked,
            Items items,
            Clients clients) {
        this.services = services;
        this.columns = columns;
        this.cells = cells;
        this.runs = runs;
        this.picked = picked;
        this.items = items;
        this.clients = clients;
    }

    /** How the service is reached; nothing where none is set up yet. */
    record ServiceView(@Nullable ServiceSettings settings) {}

    /** What the service said when it was tried. */
    record Trial(String answer, int tokensIn, int tokensOut) {}

    /**
     * A column; id 0 for a new one.
     *
     * @param makes title, description, tags or h1; null for a note
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

    record CellForm(long columnId, long itemId) {}

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
        } catch (PatientClient.NoAnswer e) {
            throw Refusal.badInput(e.getMessage());
        }
    }

    @GetMapping("/properties/{propertyId}/writer/columns")
    List<WriterColumn> columns(@PathVariable long propertyId) {
        Map<Long, Map<CellState, WriterCellMapper.Count>> counts = cells.counts(propertyId);
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
    WriterCells.PickedName pick(@PathVariable long propertyId, @PathVariable long id, @RequestParam CellState state) {
        return cells.pick(propertyId, id, state);
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
    List<WriterCells.CellView> cells(@PathVariable long propertyId, @RequestParam long[] ids) {
        return cells.of(propertyId, ids);
    }

    /** Lets an answer be used although something was found wrong with it. */
    @PostMapping("/properties/{propertyId}/writer/cells/use")
    void use(@PathVariable long propertyId, @RequestBody CellForm form) {
        cells.use(propertyId, form.columnId(), form.itemId());
    }
}
