package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.Slug;

/** A slug of stop words only: "/about-the/". */
final class SlugSaysNothing extends SlugCheck {

    SlugSaysNothing() {
        super("stop-words", "stop words only");
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "has stop words only", "have stop words only");
    }

    @Override
    void look(Slug slug, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        Words language = item.title().language();
        List<String> words = slug.words();
        if (!words.isEmpty() && words.stream().allMatch(language::isStop))
            found.accept(finding("“" + slug.text() + "”"));
    }
}
