package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class KinshipTest {

    @ParameterizedTest
    @CsvSource({
        "https://bay.example/de/boats/, https://bay.example/en/boats/, TRANSLATION",
        "https://bay.example/html/da-DK/knots.html, https://bay.example/html/en-US/knots.html, TRANSLATION",
        "https://bay.example/boats/, https://bay.example/fr/boats/, TRANSLATION",
        "https://de.bay.example/boats/, https://www.bay.example/boats/, TRANSLATION",
        "https://bay.example/to/boats/, https://bay.example/hire/boats/, SAME_SLUG",
        "https://bay.example/Boats, https://bay.example/boats, VARIANT",
        "https://bay.example/boats, https://bay.example/boats/, VARIANT",
        "https://bay.example/boats?sort=price, https://bay.example/boats, VARIANT",
        "https://bay.example/log?page=2, https://bay.example/log?page=11, SERIES",
        "https://bay.example/log/page/2, https://bay.example/log/page/3, SERIES",
        "https://bay.example/log/page/2, https://bay.example/log, SERIES",
        "https://bay.example/log-2.html, https://bay.example/log-3.html, SERIES",
        "https://bay.example/hire/knots/, https://bay.example/tours/knots/, SAME_SLUG",
        "https://bay.example/hire/, https://bay.example/tours/, NONE",
        "https://bay.example/, https://bay.example/tours/, NONE",
        "https://bay.example/knots/, https://cove.example/knots/, NONE",
        "TBK-1, TBK-2, NONE"
    })
    void saysWhyTwoAddressesMayHaveOneText(String one, String other, Kinship kinship) {
        assertThat(Kinship.of(one, other)).isEqualTo(kinship);
        assertThat(Kinship.of(other, one)).isEqualTo(kinship);
    }
}
