package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;

import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FieldFitTest {

    private static final String LONG = "boat ".repeat(80).strip();

    @ParameterizedTest
    @CsvSource({
        "TITLE, Kayak hire by the day, true",
        "TITLE, LONG, false",
        "DESCRIPTION, LONG, false",
        "H1, LONG, true",
        "OG_TITLE, LONG, true",
        "SLUG, kayak-hire, true",
        "INDEXING, noindex, true",
        "TAGS, 'oar, paddle', true",
        "TAGS, LONG, false",
        "IMAGES, '/a.jpg>A red boat;/b.jpg;/c.jpg>', true",
        "IMAGES, '/a.jpg>A red boat;/b.jpg>LONG', false",
        "LINKS, '/a>LONG', true",
    })
    void eachFieldHasItsLimits(Field field, String text, boolean fits) {
        String whole = text.replace("LONG", LONG).replace('>', '\t').replace(';', '\n');
        assertThat(FieldFit.fits(field, whole, field == Field.TAGS ? Standard.ofListings() : Standard.ofPages()))
                .isEqualTo(fits);
    }
}
