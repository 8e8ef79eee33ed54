package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FileWordsTest {

    @ParameterizedTest
    @CsvSource({
        "/img/Two-seater_kayak-1200x800.jpg?v=3, two seater kayak",
        "https://tarrin.example/media/red%20canoe.webp, red canoe",
        "/img/IMG_2041.JPG, ''",
        "/img/dsc-final-copy.png, ''",
        "data:image/gif;base64/R0lGODdh, ''",
        "/kayaks-mieten/übersicht/, ''",
        "/kayaks-mieten/übersicht, übersicht",
        "/a/b/oar.d.jpeg, oar",
        "/broken%zz-paddle.svg, broken zz paddle",
        "paddle, paddle",
        "'', ''",
    })
    void namesSayWords(String address, String words) {
        assertThat(FileWords.of(address)).isEqualTo(words);
    }
}
