package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is said of phrases by themselves: brand, intent, topic. */
class PhrasesTest {

    private static final Words ENGLISH = Words.in("en");
    private static final BrandNames BRAND =
            new BrandNames(List.of("Tarrin Bay Kayaks", "Tarrin Kayaks", "TBK"), ENGLISH);

    @ParameterizedTest
    @CsvSource({
        "tarrin bay kayaks, true",
        "Tarrin Bay kayak opening hours, true",
        "tarrinbaykayaks, true",
        "tarinbay kayaks, true",
        "tarrin kayak, true",
        "tarrni kayaks, true",
        "tbk, true",
        "tbl, false",
        "kayak hire tarrin bay, false",
        "kayaks, false",
        "barrin bay kayaks, false",
        "'', false",
    })
    void knowsTheBrandHoweverItIsWritten(String phrase, boolean brand) {
        assertThat(BRAND.isIn(phrase)).isEqualTo(brand);
    }

    @ParameterizedTest
    @CsvSource({
        "Tarrin Bay Kayaks prices, tarrin bay kayaks, AS_NAMED",
        "hire tarrin bay kayak, tarrin bay kayak, OTHER_FORM",
        "tarrinbay kayaks, tarrinbay kayaks, JOINED_UP",
        "tarin bay kayaks opening, tarin bay kayaks, SLIP",
        "the tbk shop, tbk, AS_NAMED",
    })
    void tellsHowTheBrandIsWritten(String phrase, String text, BrandNames.Kind kind) {
        assertThat(BRAND.spelling(phrase)).hasValueSatisfying(spelling -> {
            assertThat(spelling.text()).isEqualTo(text);
            assertThat(spelling.kind()).isEqualTo(kind);
        });
    }

    @Test
    void likelySpellingsNameTheBrandAndAreNoneOfItsNames() {
        assertThat(BRAND.likely())
                .contains("tarrinbay kayaks", "tarrinbaykayaks", "tarin bay kayaks", "tarirn kayaks")
                .doesNotHaveDuplicates()
                .doesNotContain("tarrin bay kayaks", "tbk")
                .filteredOn(text -> text.startsWith("t") && !text.matches("tbk|tkb"))
                .allMatch(BRAND::isIn);
    }

    @ParameterizedTest
    @CsvSource({
        "en, how to hire a kayak, false, '', informational, it begins with “how”",
        "de, wie baut man ein Kajak, false, '', informational, it begins with “wie”",
        "fr, location kayak, false, '', transactional, it contains “location”",
        "pl, najlepszy kajak, false, '', commercial, it contains “najlepszy”",
        "en, best kayak hire, false, '', commercial, it contains “best”",
        "en, Kayak HIRE, false, '', transactional, it contains “hire”",
        "en, kayaking near me, false, '', transactional, it contains “near me”",
        "en, kayak roll technique, false, '', informational, it contains “technique”",
        "en, sea caves gull cove, false, Gull Cove, transactional, 'it names a place, Gull Cove'",
        "en, tbk, true, '', navigational, it names the brand",
    })
    void tellsTheIntentWithItsReason(
            String language, String phrase, boolean brand, String place, String kind, String reason) {
        Intent intent = Intent.of(phrase, Language.of(language), brand, place);
        assertThat(intent.kind().code()).isEqualTo(kind);
        assertThat(intent.reason()).isEqualTo(reason);
    }

    @Test
    void topicsGatherWhatBelongsTogetherWhateverTheOrder() {
        List<String> phrases = new ArrayList<>();
        for (String service : List.of("canoe repair", "paddle carving", "seal watching", "surf rescue")) {
            for (String more : List.of("", " kit", " price", " in winter", " for beginners"))
                phrases.add(service + more);
        }
        List<Set<String>> topics = topics(phrases);
        assertThat(topics).hasSize(4).allSatisfy(topic -> assertThat(topic).hasSize(5));
        for (int seed = 0; seed < 10; seed++) {
            Collections.shuffle(phrases, new Random(seed));
            assertThat(new HashSet<>(topics(phrases))).isEqualTo(new HashSet<>(topics));
        }
    }

    @Test
    void sharedRankingItemsBringPhrasesTogether() {
        Topics apart = new Topics();
        Topics together = new Topics();
        String[] phrases = {"kayak storage", "storage racks", "boat varnish", "varnish brush", "sea cave"};
        for (int i = 0; i < phrases.length; i++) {
            apart.add(Phrase.of(phrases[i], ENGLISH), 10 - i, new long[0]);
            together.add(Phrase.of(phrases[i], ENGLISH), 10 - i, i < 2 ? new long[] {7, 8} : new long[0]);
        }
        assertThat(apart.names()).containsExactly(0, 1, 2, 3, 4);
        assertThat(together.names()).containsExactly(0, 0, 2, 3, 4);
    }

    private static List<Set<String>> topics(List<String> phrases) {
        Topics topics = new Topics();
        for (String phrase : phrases) topics.add(Phrase.of(phrase, ENGLISH), phrase.length(), new long[0]);
        int[] names = topics.names();
        List<Set<String>> sets = new ArrayList<>();
        for (int name : new HashSet<>(java.util.Arrays.stream(names).boxed().toList())) {
            Set<String> set = new HashSet<>();
            for (int i = 0; i < names.length; i++) if (names[i] == name) set.add(phrases.get(i));
            sets.add(set);
        }
        return sets;
    }
}
