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

/** The texts of one handover, read a few hundred items at a time. */
final class HandoverLines {

    private static final int CHUNK = 500;

    private final ReleaseMapper mapper;
    private final Handover handover;

    HandoverLines(ReleaseMapper mapper, Handover handover) {
        this.mapper = mapper;
        this.handover = handover;
    }

    Handover handover() {
        return handover;
    }

    /** Whether any text is one of images or links. */
    boolean haveParts() {
        return mapper.fields(LineIds.of(handover.id())).stream().anyMatch(PartTexts::areOf);
    }

    /** Walks over the items, each as its lines in the order of the fields. */
    void forEachItem(Consumer<List<ReleaseMapper.Line>> visit) {
        forEachChunk(some -> some.forEach(visit));
    }

    /** The same, some items at a time; they are read within the caller's transaction, and visited on another thread meanwhile. */
    void forEachChunk(Consumer<Collection<List<ReleaseMapper.Line>>> visit) {
        BoundedPipeline.feed(this::readChunks, visit);
    }

    private void readChunks(Consumer<Collection<List<ReleaseMapper.Line>>> next) {
        IdRange lines = LineIds.of(handover.id());
        List<ReleaseMapper.Line> some = read(lines.first() - 1, lines.last());
        while (!some.isEmpty()) {
            Map<Long, List<ReleaseMapper.Line>> items = new LinkedHashMap<>();
            some.forEach(line -> items.computeIfAbsent(line.itemId(), item -> new ArrayList<>())
                    .add(line));
            items.values().forEach(of -> of.sort(Comparator.comparing(ReleaseMapper.Line::field)));
            next.accept(items.values());
            some = read(some.get(some.size() - 1).id(), lines.last());
        }
    }

    /** The lines of the next items, all of each: no item has as many as are read at once. */
    private List<ReleaseMapper.Line> read(long afterLine, long lastLine) {
        List<ReleaseMapper.Line> lines = mapper.lines(afterLine, lastLine, CHUNK);
        if (lines.size() < CHUNK) return lines;
        long cutOff = lines.get(CHUNK - 1).itemId();
        return lines.stream().takeWhile(line -> line.itemId() != cutOff).toList();
    }

    /** Where each address that gets another slug leads, in one step; earlier redirects that lead elsewhere now, too. */
    List<Redirects.Redirect> redirects() {
        List<Redirects.Redirect> now = redirects(handover.id(), handover.id());
        return Redirects.of(redirects(0, handover.id() - 1), now);
    }

    private List<Redirects.Redirect> redirects(long first, long last) {
        return mapper.slugs(handover.propertyId(), first, last).stream()
                .map(line -> new Redirects.Redirect(line.address(), Slug.replaced(line.address(), line.after())))
                .toList();
    }
}
