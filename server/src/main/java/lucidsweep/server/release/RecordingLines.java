package lucidsweep.server.release;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.page.Redirects;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.ManyRows;
import lucidsweep.server.item.draft.Drafts;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.BoundedPipeline;
import lucidsweep.server.job.Lookahead;
import lucidsweep.server.triage.Estimates;
import lucidsweep.server.triage.Estimates.Estimate;

/**
 * The drafts of a new handover: as its file is written from them, they are recorded and move on, within the caller's
 * transaction, so that 100,000 texts need not be read back for the file.
 */
final class RecordingLines implements HandoverLines {

    private static final int ITEMS_AT_ONCE = 500;

    private final ReleaseMapper mapper;
    private final Drafts drafts;
    private final Items items;
    private final Estimates estimates;
    private final Property property;
    private final Handover handover;
    private final Map<Field, long[]> texts;
    private final DraftState becomes;

    /** When the earlier handovers of the property were delivered, in seconds since 1970, by their ids. */
    private final Map<Long, Long> moments;

    private final RecordedLines recorded;
    private boolean begun;
    private int moved;

    /**
     * @param texts the items whose drafts are delivered, by field; ascending ids
     * @param becomes the state that the drafts have then
     */
    RecordingLines(
            ReleaseMapper mapper,
            Drafts drafts,
            Items items,
            Estimates estimates,
            Property property,
            Handover handover,
            Map<Field, long[]> texts,
            DraftState becomes) {
        this.mapper = mapper;
        this.drafts = drafts;
        this.items = items;
        this.estimates = estimates;
        this.property = property;
        this.handover = handover;
        this.texts = texts;
        this.becomes = becomes;
        moments = mapper.ofProperty(property.id()).stream()
                .filter(each -> each.id() < handover.id())
                .collect(Collectors.toMap(Handover::id, each -> each.created().getEpochSecond()));
        recorded = new RecordedLines(mapper, handover);
    }

    @Override
    public Handover handover() {
        return handover;
    }

    @Override
    public boolean haveParts() {
        return texts.keySet().stream().anyMatch(PartTexts::areOf);
    }

    @Override
    public void forEachChunk(Consumer<Collection<List<ReleaseMapper.Line>>> visit) {
        if (begun) {
            recorded.forEachChunk(visit);
            return;
        }
        begun = true;
        BoundedPipeline.feed(this::record, visit);
    }

    @Override
    public List<Redirects.Redirect> redirects() {
        if (!begun) forEachChunk(some -> {});
        return recorded.redirects();
    }

    /** How many drafts moved on. */
    int moved() {
        return moved;
    }

    private void record(Consumer<Collection<List<ReleaseMapper.Line>>> next) {
        Lookahead.over(itemsOf(texts), ITEMS_AT_ONCE, this::chunk, chunk -> {
            ManyRows.each(chunk.values, mapper::insertLines);
            chunk.items.forEach((field, ids) -> moved += drafts.handOver(ids, field, becomes, handover.id()));
            next.accept(chunk.lines);
        });
    }

    /** The items of texts by field, each once, ascending. */
    static long[] itemsOf(Map<Field, long[]> texts) {
        return texts.values().stream()
                .flatMapToLong(Arrays::stream)
                .sorted()
                .distinct()
                .toArray();
    }

    /** Drafts of some items as they are recorded, as they stand in the file, and the items whose drafts move on. */
    private record Chunk(
            List<ReleaseMapper.LineValues> values,
            Collection<List<ReleaseMapper.Line>> lines,
            Map<Field, long[]> items) {}

    /** Works out a chunk, by many threads. */
    private Chunk chunk(long[] some) {
        Map<Long, String> addresses =
                items.addresses(Arrays.stream(some).boxed().toList());
        List<ReleaseMapper.LineValues> values = new ArrayList<>();
        List<ReleaseMapper.Line> lines = new ArrayList<>();
        Map<Field, long[]> moving = new HashMap<>();
        texts.forEach((field, ids) -> {
            long[] own = between(ids, some[0], some[some.length - 1]);
            if (own.length == 0) return;
            List<FieldLine> found = drafts.fields(own, field);
            Map<Long, Estimate> estimated = estimates.of(property, field, found, deliveredBefore(own, field));
            for (FieldLine text : found) {
                Estimate estimate = estimated.getOrDefault(text.itemId(), Estimate.NONE);
                values.add(ReleaseMapper.LineValues.of(handover.id(), text, estimate));
                lines.add(ReleaseMapper.Line.of(handover.id(), text, addresses.get(text.itemId())));
            }
            moving.put(field, found.stream().mapToLong(FieldLine::itemId).toArray());
        });
        return new Chunk(values, RecordedLines.byItem(lines), moving);
    }

    /** When a field of items was delivered the last time before. */
    private Map<Long, Long> deliveredBefore(long[] items, Field field) {
        if (moments.isEmpty()) return Map.of();
        return mapper
                .deliveredBefore(property.id(), handover.id(), field, LineIds.within(items[0], items[items.length - 1]))
                .stream()
                .collect(Collectors.toMap(
                        ReleaseMapper.Delivery::itemId, delivery -> moments.get(delivery.handoverId())));
    }

    /** Those of ascending ids that are not before one and not behind another. */
    private static long[] between(long[] ids, long first, long last) {
        int from = Arrays.binarySearch(ids, first);
        int to = Arrays.binarySearch(ids, last);
        return Arrays.copyOfRange(ids, from < 0 ? -from - 1 : from, to < 0 ? -to - 1 : to + 1);
    }
}
