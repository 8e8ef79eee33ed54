package lucidsweep.server.release;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.page.Redirects;
import lucidsweep.core.page.Slug;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.job.BoundedPipeline;

/** What was recorded of a handover, read within the caller's transaction a few hundred items at a time. */
final class RecordedLines implements HandoverLines {

    private static final int CHUNK = 500;

    private final ReleaseMapper mapper;
    private final Handover handover;

    RecordedLines(ReleaseMapper mapper, Handover handover) {
        this.mapper = mapper;
        this.handover = handover;
    }

    @Override
    public Handover handover() {
        return handover;
    }

    @Override
    public boolean haveParts() {
        return mapper.fields(LineIds.of(handover.id())).stream().anyMatch(PartTexts::areOf);
    }

    @Override
    public void forEachChunk(Consumer<Collection<List<ReleaseMapper.Line>>> visit) {
        BoundedPipeline.feed(this::readChunks, visit);
    }

    private void readChunks(Consumer<Collection<List<ReleaseMapper.Line>>> next) {
        IdRange lines = LineIds.of(handover.id());
        List<ReleaseMapper.Line> some = read(lines.first() - 1, lines.last());
        while (!some.isEmpty()) {
            next.accept(byItem(some));
            some = read(some.get(some.size() - 1).id(), lines.last());
        }
    }

    /** Lines of some items in the order in which the items come first, those of each in the order of the fields. */
    static Collection<List<ReleaseMapper.Line>> byItem(Collection<ReleaseMapper.Line> lines) {
        Map<Long, List<ReleaseMapper.Line>> items = new LinkedHashMap<>();
        lines.forEach(line ->
                items.computeIfAbsent(line.itemId(), item -> new ArrayList<>()).add(line));
        items.values().forEach(of -> of.sort(Comparator.comparing(ReleaseMapper.Line::field)));
        return items.values();
    }

    /** The lines of the next items, all of each: no item has as many as are read at once. */
    private List<ReleaseMapper.Line> read(long afterLine, long lastLine) {
        List<ReleaseMapper.Line> lines = mapper.lines(afterLine, lastLine, CHUNK);
        if (lines.size() < CHUNK) return lines;
        long cutOff = lines.get(CHUNK - 1).itemId();
        return lines.stream().takeWhile(line -> line.itemId() != cutOff).toList();
    }

    @Override
    public List<Redirects.Redirect> redirects() {
        List<Redirects.Redirect> now = redirects(handover.id(), handover.id());
        return Redirects.of(redirects(0, handover.id() - 1), now);
    }

    private List<Redirects.Redirect> redirects(long first, long last) {
        return mapper.slugs(handover.propertyId(), first, last).stream()
                .map(line -> new Redirects.Redirect(line.address(), Slug.replaced(line.address(), line.after())))
                .toList();
    }
}
