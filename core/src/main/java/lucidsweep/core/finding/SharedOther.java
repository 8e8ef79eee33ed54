package lucidsweep.core.finding;

import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.page.PageFacts;

/** A page that is shared by a title which has no word in common with the one that search engines are given. */
final class SharedOther extends Check implements Noting {

    SharedOther() {
        super(Field.HEAD, "shared-other", "Open Graph title is another", Cost.NEITHER, Fix.BY_HAND);
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has an Open Graph title without any word of the title",
                "have Open Graph titles without any word of their titles");
    }

    @Override
    public String note(PageFacts page, String address) {
        return page.shared().title();
    }

    @Override
    void look(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        String shared = item.notes().of(this);
        if (shared == null || !item.title().present()) return;
        Set<String> own = item.title().words().stream().map(Word::stem).collect(Collectors.toSet());
        boolean any =
                item.title().language().of(shared).stream().anyMatch(word -> !word.stop() && own.contains(word.stem()));
        if (!any) found.accept(finding("og:title is “" + CapturedCheck.clipped(shared) + "”"));
    }
}
