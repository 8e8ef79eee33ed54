package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;

/** A title or description that lacks words of the item's keyword, or a title that comes to it late. */
final class KeywordInText implements Rule {

    @Override
    public void check(InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        item.keyword().ifPresent(keyword -> {
            for (InspectedItem.Text text : item.texts()) {
                if (text.present()) check(text, keyword, around.standard().leadingWords(), found);
            }
        });
    }

    private static void check(InspectedItem.Text text, Phrase keyword, int leadingWords, Consumer<Finding> found) {
        PhraseMatch match = PhraseMatch.of(text.words(), keyword);
        if (!match.present()) {
            String evidence = "“" + keyword.text() + "” lacks: " + String.join(", ", match.missing());
            found.accept(new Finding(text.field(), FindingKind.OFF_KEYWORD, evidence, ""));
        } else if (text.field() == Field.TITLE && !match.leading(leadingWords)) {
            String evidence = "“" + keyword.text() + "” starts at word " + (match.startsAt() + 1)
                    + ", expected within the first " + leadingWords;
            found.accept(Finding.of(text.field(), FindingKind.KEYWORD_LATE, evidence));
        }
    }
}
