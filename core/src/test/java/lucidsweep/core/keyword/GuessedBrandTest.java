package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class GuessedBrandTest {

    private static final Words ENGLISH = Words.in("en");
    private static final List<String> KEYWORDS =
            List.of("kayak hire", "kayak tours", "canoe hire", "paddle", "spray deck", "dry bag", "tide table");

    private final GuessedBrand brand = new GuessedBrand();

    private void pages(String host, String... titles) {
        for (int i = 0; i < titles.length; i++) brand.add("https://" + host + "/" + i, titles[i]);
    }

    @Test
    void isWhatMostTitlesEndInAndTheNameOfTheHost() {
        pages("www.tarrin-bay.example", "Kayaks – Tarrin Bay", "Boats | Tarrin Bay", "Tours - Tarrin Bay", "Legal");
        assertThat(brand.titleEnding()).isEqualTo("Tarrin Bay");
        assertThat(brand.names(KEYWORDS, ENGLISH)).containsExactly("Tarrin Bay", "tarrin-bay");
    }

    @Test
    void isWhatNearlyEverybodyClicksWhoIsShownTheHomePage() {
        pages("a.example", "Home", "Boats");
        brand.addDemand("https://a.example/", "tarrin kayaks", 60, 100, 1.2);
        brand.addDemand("https://a.example/", "tarrin boats", 90, 100, 1.2);
        brand.addDemand("https://a.example/", "kayak hire", 60, 600, 1.1);
        brand.addDemand("https://a.example/boats", "paddle", 90, 100, 1.1);
        brand.addDemand("https://a.example/", "spray deck", 90, 100, 4);
        assertThat(brand.titleEnding()).isEmpty();
        assertThat(brand.names(KEYWORDS, ENGLISH)).containsExactly("tarrin boats", "tarrin kayaks");
    }

    @Test
    void isNotWhatThePropertySells() {
        pages("kayakhire.example", "Boats | Kayak hire", "Tours | Kayak hire", "Lessons | Kayak hire");
        assertThat(brand.names(List.of("kayak hire", "kayak hire fennick", "paddle"), ENGLISH))
                .isEmpty();
        assertThat(new GuessedBrand().names(KEYWORDS, ENGLISH)).isEmpty();
    }
}
