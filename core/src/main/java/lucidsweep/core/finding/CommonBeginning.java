package lucidsweep.core.finding;

import java.util.List;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.text.CommonPart;
import lucidsweep.core.text.TextKey;

/**
 * A title that begins as many others do. A beginning with words of the item's keyword stands where it should; one that is
 * the brand alone is what {@link BrandFirst} says.
 */
final class CommonBeginning extends CommonPartCheck {

    static final String CODE = "common-beginning";

    CommonBeginning() {
        super(CommonPart.Side.START, CODE, "common beginning", "begin", Fix.REMOVE_BEGINNING);
    }

    @Override
    boolean isOfUse(String beginning, InspectedText text, InspectedItem item, InspectionContext around) {
        return around.brandKeys().contains(TextKey.key(beginning))
                || item.keyword().isPresent() && hasWordOf(item.keyword().get(), beginning.length(), text.words());
    }

    private static boolean hasWordOf(Phrase keyword, int length, List<Word> words) {
        return words.stream()
                .takeWhile(word -> word.start() < length)
                .anyMatch(word -> !word.stop()
                        && keyword.words().stream()
                                .anyMatch(wanted -> wanted.stem().equals(word.stem())));
    }
}
