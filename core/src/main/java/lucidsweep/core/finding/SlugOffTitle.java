package lucidsweep.core.finding;

import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import java.util.stream.Stream;
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
        String key = item.title().key() + " " + item.h1().key();
        List<String> words = slug.words().stream().filter(SlugOffTitle::says).toList();
        if (words.stream().anyMatch(key::contains)) return;
        Set<String> title = Stream.concat(item.title().words().stream(), item.h1().words().stream())
                .filter(word -> !word.stop())
                .map(Word::stem)
                .collect(Collectors.toSet());
        if (title.isEmpty() || words.stream().anyMatch(title::contains)) return;
        // "kaesekuchen" is how a German address writes "Käsekuchen".
        String written = item.language()
                .language()
                .slug(item.title().value() + " " + item.h1().value());
        if (words.stream().noneMatch(written::contains)) {
            found.accept(finding("“" + slug.text() + "” shares no word with the title"));
        }
    }

    /** Whether a word of a slug says anything: a single letter, as in "p-4711", stands in any title. */
    private static boolean says(String word) {
        return word.length() > 1 || !Character.isAlphabetic(word.charAt(0)) || Character.isIdeographic(word.charAt(0));
    }
}
