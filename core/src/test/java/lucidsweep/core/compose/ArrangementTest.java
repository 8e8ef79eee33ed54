package lucidsweep.core.compose;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ArrangementTest {

    private static final String SENT = "Sent from the boat shed within two days. Ask us about a faster way.";
    private static final String ABOUT = "We build boats.\n\nSince 1987, on the slip at Marsh Quay.";

    @Test
    void putsBlocksBelowWhatBelongsToTheItem() {
        assertThat(Arrangement.of("A cedar oar.", List.of(SENT, ABOUT), 1_000))
                .isEqualTo("A cedar oar.\n\n" + SENT + "\n\n" + ABOUT);
        assertThat(Arrangement.of("", List.of(SENT), 1_000)).isEqualTo(SENT);
        assertThat(Arrangement.of("A cedar oar.", List.of(SENT, ABOUT), 60))
                .as("the last sentence that fits, and nothing behind it")
                .isEqualTo("A cedar oar.\n\nSent from the boat shed within two days.");
        assertThat(Arrangement.of("A cedar oar.", List.of(SENT), 20)).isEqualTo("A cedar oar.");
    }

    /** Whatever blocks stand there, cut or whole, in whatever order: what belongs to the item comes out again. */
    @RepeatedTest(200)
    void takesThemOffAgain(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<String> blocks = new ArrayList<>(List.of(
                SENT,
                ABOUT,
                "Follow us: https://tarrin.example/film",
                "Prices may change. No promise is made of tides."));
        Collections.shuffle(blocks, random);
        List<String> some = blocks.subList(0, random.nextInt(blocks.size() + 1));
        String own = "A cedar oar, number " + random.nextInt(99) + ".\n\nTurned by hand.".repeat(random.nextInt(2));
        int maxChars = random.nextBoolean() ? 5_000 : 40 + random.nextInt(220);

        String whole = Arrangement.of(own, some, maxChars);

        assertThat(Arrangement.own(whole, blocks)).isEqualTo(own);
        assertThat(Arrangement.of(Arrangement.own(whole, blocks), some, maxChars))
                .isEqualTo(whole);
    }

    @ParameterizedTest
    @CsvSource({
        "Questions about {keyword}? Write to {client}., Questions about kayak hire? Write to Tarrin Bay.",
        "'From {price}.\nIn {place}.\nAll year.', 'In Gull Cove.\nAll year.'",
        "{Place} and {place}, Gull Cove and Gull Cove",
        "No value here {}., No value here {}.",
        "Only {price}, ''",
    })
    void fillsInValuesAndLeavesOutLinesThatLackOne(String text, String filled) {
        Map<String, String> values =
                Map.of("keyword", "kayak hire", "client", "Tarrin Bay", "place", "Gull Cove", "price", "");
        assertThat(BlockText.filled(text, name -> values.getOrDefault(name, "")))
                .isEqualTo(filled);
    }

    @Test
    void namesAValueThatIsNotKnown() {
        BlockText.check("{client} in {place}");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> BlockText.check("Buy at {shop}"))
                .withMessageContaining("{client}, {keyword}")
                .withMessageEndingWith("got \"{shop}\"");
    }
}
