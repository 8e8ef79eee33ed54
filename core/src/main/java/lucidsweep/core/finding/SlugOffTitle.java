package lucidsweep.core.finding;

import java.util.HashSet;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.page.Slug;

/** A slug that has no word of the page's title, nor of its heading, which shows that it is the title that is off: "p-1042". */
final class SlugOffTitle extends SlugCheck {

    SlugOffTitle() {
        super("off-title", "without a word of the title");
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "has no word of the page’s title", "have no word of their pages’ titles");
    }

    @Override
    void look(Slug slug, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (!item.title().present()) return;
        Set<String> title = item.title().words().stream()
                .filter(word -> !word.stop())
                .map(Word::stem)
                .collect(Collectors.toCollection(HashSet::new));
        item.h1().words().forEach(word -> title.add(word.stem()));
        String key = item.title().key() + " " + item.h1().key();
        boolean shares = slug.words().stream().anyMatch(word -> title.contains(word) || key.contains(word));
        if (!title.isEmpty() && !shares) {
            found.accept(finding("“" + slug.text() + "” shares no word with the title"));
        }
    }
}
