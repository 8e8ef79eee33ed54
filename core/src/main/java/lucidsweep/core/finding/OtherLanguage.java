package lucidsweep.core.finding;

import java.util.Locale;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.LanguageGuess;

/** A text in another language than its page. */
final class OtherLanguage extends TextCheck {

    private static final int TOO_SHORT_TO_TELL = 15;

    OtherLanguage(Field field) {
        super(field, "other-language", "in another language", Cost.APPEAL, Fix.TRANSLATE);
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "is in another language than its page", "are in another language than their pages");
    }

    @Override
    void look(InspectedText text, InspectedItem item, InspectionContext around, Consumer<Finding> found) {
        Language page = item.language().language();
        if (text.value().length() < TOO_SHORT_TO_TELL || !item.language().isKnown()) return;
        if (page.code().isEmpty()) return;
        LanguageGuess.of(text.value())
                .filter(language -> language != page && !item.language().isRather(language))
                .ifPresent(language -> found.accept(
                        finding("it is in " + name(language.code()) + ", its page in " + name(page.code()))));
    }

    private static String name(String code) {
        return Locale.forLanguageTag(code).getDisplayLanguage(Locale.UK);
    }
}
