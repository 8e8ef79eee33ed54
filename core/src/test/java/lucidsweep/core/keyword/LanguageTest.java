package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class LanguageTest {

    @ParameterizedTest
    @CsvSource({
        "en, 'Hire a kayak for the day and paddle with your family along the coast'",
        "de, 'Ein Kajak für den ganzen Tag mieten und mit der Familie an der Küste paddeln'",
        "fr, 'Louez un kayak pour la journée et pagayez avec vos enfants dans la baie'",
        "es, 'Alquila un kayak para todo el día y rema con tu familia por la costa de la bahía'",
        "it, 'Noleggia un kayak per tutta la giornata e pagaia con la tua famiglia nella baia'",
        "nl, 'Huur een kajak voor een hele dag en peddel met je gezin door de baai van het eiland'",
        "pt, 'Alugue um caiaque para o dia todo e reme com a sua família pela costa da baía'",
        "pl, 'Wypożycz kajak na cały dzień i popłyń z rodziną do zatoki, która jest za wyspą'",
        "'', 'Kayak Oarsong 12'",
        "'', 'Tarrin Bay Kayaks | Gull Cove – Otter Point'",
        "'', 'De la Rey, Van der Berg and Los Altos'",
        "'', 'морские каяки для всей семьи'",
        "'', ''",
    })
    void isToldFromLittleWordsOrNotAtAll(String code, String text) {
        assertThat(LanguageGuess.of(text).map(Language::code).orElse("")).isEqualTo(code);
    }

    @Test
    void everyLanguageHasAllThatHangsOnIt() {
        assertThat(Language.all()).hasSize(8).allSatisfy(language -> {
            assertThat(language.common()).hasSizeGreaterThan(30);
            assertThat(language.generic()).hasSizeGreaterThan(5);
            assertThat(language.emptyLinkTexts()).hasSizeGreaterThan(5);
            assertThat(language.questions()).hasSizeGreaterThan(8);
            assertThat(language.acting()).hasSizeGreaterThan(10);
            assertThat(language.small()).hasSizeGreaterThan(8);
            assertThat(Language.of(language.code() + "-XX")).isSameAs(language);
        });
        assertThat(Language.of("de").slug("Räucherofen & Fähre")).isEqualTo("raeucherofen-faehre");
        assertThat(Language.of("sv").slug("Räksmörgås")).isEqualTo("raksmorgas");
        assertThat(Language.of("pl").slug("Wypożyczalnia łodzi")).isEqualTo("wypozyczalnia-lodzi");
        assertThat(Language.of("xx").common()).isEmpty();
    }

    @Test
    void thePageIsInTheLanguageOfItsMarkupElseOfItsWordsElseOfItsSite() {
        String german = "Ein Kajak für den ganzen Tag mieten und mit der Familie an der Küste paddeln";
        assertThat(new PageLanguage("fr-CA", german, "en").language().code()).isEqualTo("fr");
        assertThat(new PageLanguage("fr-CA", german, "en").isRather(Language.of("de")))
                .isTrue();
        assertThat(new PageLanguage("", german, "en").language().code()).isEqualTo("de");
        PageLanguage untold = new PageLanguage("", "Oarsong 12", "pl");
        assertThat(untold.language().code()).isEqualTo("pl");
        assertThat(untold.isKnown()).isFalse();
        assertThat(new PageLanguage("", "Oarsong 12", "pl").isRather(Language.of("de")))
                .isFalse();
    }

    @Test
    void mostTextsDecideTheLanguageOfAFile() {
        LanguageTally tally = new LanguageTally();
        for (int i = 0; i < 3; i++) {
            assertThat(tally.most()).isEmpty();
            tally.add("Ein Kajak für den ganzen Tag mieten und mit der Familie an der Küste paddeln " + i);
        }
        tally.add("Hire a kayak for the day and paddle with your family along the coast");
        tally.add("Oarsong 12");
        assertThat(tally.most().map(Language::code)).contains("de");
    }
}
