package lucidsweep.core.finding;

import java.util.List;
import java.util.function.Consumer;
import lucidsweep.core.keyword.Word;
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
        List<Word> words = item.title().language().of(String.join(" ", slug.words()));
        if (!words.isEmpty() && words.stream().allMatch(Word::stop)) found.accept(finding("“" + slug.text() + "”"));
    }
}
