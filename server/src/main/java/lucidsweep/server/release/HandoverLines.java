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
        return mapper.fields(handover.id()).stream().anyMatch(PartTexts::areOf);
    }

    /** Walks over the items, each as its lines in the order of the fields. */
    void forEachItem(Consumer<List<ReleaseMapper.Line>> visit) {
        forEachChunk(some -> some.forEach(visit));
    }

    /** The same, some items at a time. */
    void forEachChunk(Consumer<Collection<List<ReleaseMapper.Line>>> visit) {
        long afterItem = 0;
        Map<Long, List<ReleaseMapper.Line>> chunk;
        do {
            chunk = new LinkedHashMap<>();
            for (ReleaseMapper.Line line : mapper.lines(handover.id(), afterItem, CHUNK)) {
                chunk.computeIfAbsent(line.itemId(), item -> new ArrayList<>()).add(line);
                afterItem = line.itemId();
            }
            chunk.values().forEach(lines -> lines.sort(Comparator.comparing(ReleaseMapper.Line::field)));
            if (!chunk.isEmpty()) visit.accept(chunk.values());
        } while (!chunk.isEmpty());
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
