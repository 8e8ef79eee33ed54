package lucidsweep.server.release;

import java.util.Collection;
import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.page.Redirects;

/** The texts of one handover, from which its file is written. */
interface HandoverLines {

    Handover handover();

    /** Whether any text is one of images or links. */
    boolean haveParts();

    /** Walks over the items, some at a time and each as its lines in the order of the fields; on a thread of its own. */
    void forEachChunk(Consumer<Collection<List<ReleaseMapper.Line>>> visit);

    /** The same, item by item. */
    default void forEachItem(Consumer<List<ReleaseMapper.Line>> visit) {
        forEachChunk(some -> some.forEach(visit));
    }

    /** Where each address that gets another slug leads, in one step; earlier redirects that lead elsewhere now, too. */
    List<Redirects.Redirect> redirects();
}
