package lucidsweep.core.finding;

import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.text.TextKey;

/** A title does not name the place that the item's keyword names, or else its heading. */
final class PlaceMissing extends TextCheck {

    PlaceMissing() {
        super(Field.TITLE, "place-missing", "place missing", Cost.REACH, Fix.RECIPE);
    }

    /** Whether the place is all that a text lacks of a keyword. */
    static boolean isAll(PhraseMatch match, Phrase keyword, InspectionContext around) {
        String place = around.places().in(keyword.text());
        if (place.isEmpty()) return false;
        String words = " " + TextKey.key(place) + " ";
        return match.missing().stream().allMatch(word -> words.contains(" " + TextKey.key(word) + " "));
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "does not name the page’s place", "do not name their pages’ places");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        if (item.keyword().isPresent()) {
            Phrase keyword = item.keyword().get();
            PhraseMatch match = text.match(keyword);
            if (match.present() || match.startsAt() < 0 || !isAll(match, keyword, around)) return;
            report(around.places().in(keyword.text()), "“" + keyword.text() + "”", found);
            return;
        }
        String place = around.places().in(item.h1().value());
        if (!place.isEmpty() && around.places().in(text.value()).isEmpty()) report(place, "the heading", found);
    }

    private void report(String place, String where, Consumer<Finding> found) {
        found.accept(finding(place + " stands in " + where + ", not in the title"));
    }
}
