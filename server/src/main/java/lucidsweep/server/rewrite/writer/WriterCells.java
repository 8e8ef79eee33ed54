package lucidsweep.server.rewrite.writer;

import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.table.ItemStandards;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.PickedItems;
import lucidsweep.server.item.table.SetStandards;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The writer's answers as they are shown, counted, picked and accepted. */
@Service
class WriterCells {

    private static final int MOST_ROWS = 500;
    private static final TypeReference<List<CellProblem>> PROBLEMS = new TypeReference<>() {};

    private final WriterCellMapper mapper;
    private final WriterColumns columns;
    private final Items items;
    private final PickedItems picked;
    private final SetStandards standards;
    private final Clients clients;
    private final JsonMapper json;

    WriterCells(
            WriterCellMapper mapper,
            WriterColumns columns,
            Items items,
            PickedItems picked,
            SetStandards standards,
            Clients clients,
            JsonMapper json) {
        this.mapper = mapper;
        this.columns = columns;
        this.items = items;
        this.picked = picked;
        this.standards = standards;
        this.clients = clients;
        this.json = json;
    }

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

    /** Under which name items are picked; ask for a table among them. */
    record PickedName(String among, int items) {}

    /** How many cells each column has in each state. */
    Map<Long, Map<CellState, WriterCellMapper.Count>> counts(long propertyId) {
        Map<Long, Map<CellState, WriterCellMapper.Count>> counts = new HashMap<>();
        for (WriterCellMapper.Count count : mapper.counts(propertyId)) {
            counts.computeIfAbsent(count.columnId(), any -> new EnumMap<>(CellState.class))
                    .put(count.state(), count);
        }
        return counts;
    }

    /** Picks the items whose cell of a column is in a state, so that a table can be narrowed to them. */
    PickedName pick(long propertyId, long columnId, CellState state) {
        columns.find(propertyId, columnId);
        long[] ids = mapper.items(columnId, state).stream()
                .mapToLong(Long::longValue)
                .toArray();
        String name = "writer " + columnId + " " + state;
        picked.put(name, ids);
        return new PickedName(name, ids.length);
    }

    /** The answers for some items, such as those in view. */
    List<CellView> of(long propertyId, long[] ids) {
        if (ids.length > MOST_ROWS) {
            throw Refusal.badInput("expected at most " + MOST_ROWS + " items at once, got " + ids.length);
        }
        Map<Long, Field> makes = new HashMap<>();
        columns.ofProperty(propertyId).forEach(column -> makes.put(column.id(), column.makes()));
        ItemStandards.Held held = standards.of(clients.property(propertyId)).held(ids);
        return mapper.cells(propertyId, Arrays.stream(ids).boxed().toArray()).stream()
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
    void use(long propertyId, long columnId, long itemId) {
        columns.find(propertyId, columnId);
        items.requireOf(propertyId, itemId);
        WriterCellMapper.Line cell = mapper.cell(columnId, itemId);
        boolean usable = cell != null
                && cell.state() == CellState.FAILED
                && cell.answer() != null
                && !cell.answer().isBlank();
        if (!usable) throw Refusal.conflict("there is no answer here that could be used");
        mapper.set(new WriterCellMapper.Line(
                columnId, itemId, CellState.DONE, cell.answer(), null, cell.asked(), cell.retried(), 0));
        clients.touch(propertyId);
    }
}
