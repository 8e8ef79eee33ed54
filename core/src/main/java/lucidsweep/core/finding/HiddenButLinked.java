package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.standard.Standard;

/** A page that many others link to and that search engines are kept from: hardly meant so. */
final class HiddenButLinked extends Check {

    HiddenButLinked() {
        super(Field.INDEXING, "linked", "not indexable, but linked to", Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("is linked to by many and not indexable", "are linked to by many and not indexable");
    }

    @Override
    public String limit(Standard standard) {
        return "from " + standard.pages().minInbound() + " inbound links on";
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.noindex().isEmpty()
                || item.inbound().links() < around.standard().pages().minInbound()) return;
        Noindex.Reason reason = item.noindex().get().reason();
        if (reason != Noindex.Reason.NOINDEX && reason != Noindex.Reason.BLOCKED) return;
        found.accept(finding(item.inbound().links() + " inbound links, but "
                + item.noindex().get().words()));
    }
}
