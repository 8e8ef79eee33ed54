package lucidsweep.core.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.SetConditions.FoundBy;
import lucidsweep.core.set.SetConditions.Range;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Sets against three items; each condition lets some of them in. */
class SetConditionsTest {

    private static final long TODAY = 20_000;

    private record Item(
            long id,
            String address,
            String section,
            String language,
            String tags,
            String keyword,
            double price,
            double publishedDay,
            boolean indexable,
            String found)
            implements SetMember {

        @Override
        public double changedDay() {
            return UNKNOWN;
        }

        @Override
        public List<String> titlePatterns() {
            return List.of();
        }

        @Override
        public boolean hasFinding(Field field, String check) {
            return found.equals(field.code() + " " + check);
        }
    }

    private static final List<Item> ITEMS = List.of(
            new Item(
                    1,
                    "https://bay.example/tours/gull-cove",
                    "/tours/",
                    "en-GB",
                    "sea, boat gift",
                    "sea cave tour",
                    30,
                    TODAY - 10,
                    true,
                    "title too-long"),
            new Item(
                    2,
                    "https://bay.example/touren/",
                    "/touren/",
                    "de",
                    "",
                    "",
                    SetMember.UNKNOWN,
                    SetMember.UNKNOWN,
                    true,
                    ""),
            new Item(
                    3,
                    "https://bay.example/journal/tours-of-old",
                    "/journal/",
                    "",
                    "boat",
                    "boat tours",
                    90,
                    TODAY - 400,
                    false,
                    ""));

    private static final SetConditions ALL =
            new SetConditions(null, null, null, null, null, null, null, null, null, null, null, null);
    private static final Map<String, SetConditions> SETS = Map.of(
            "Listed", of(null, null, null, null, null, null, true, null, null, null),
            "Tours", of("/tour*", null, null, null, null, null, null, null, null, "Listed"));

    private static SetConditions of(
            String address,
            String language,
            String tag,
            String keyword,
            Range price,
            Range age,
            Boolean indexable,
            FoundBy found,
            List<Long> ids,
            String within) {
        return new SetConditions(
                address == null ? null : List.of(address),
                null,
                language,
                tag,
                null,
                keyword,
                price,
                age,
                indexable,
                found,
                ids,
                within);
    }

    static Stream<Arguments> cases() {
        return Stream.of(
                Arguments.of(ALL, "123"),
                Arguments.of(of("/Tours/*", null, null, null, null, null, null, null, null, null), "1"),
                Arguments.of(of("tours", null, null, null, null, null, null, null, null, null), "13"),
                Arguments.of(
                        new SetConditions(
                                List.of("/tours/", "/journal/"),
                                List.of("/journal/"),
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                null,
                                null),
                        "3"),
                Arguments.of(of(null, "en", null, null, null, null, null, null, null, null), "1"),
                Arguments.of(of(null, null, "Boat", null, null, null, null, null, null, null), "3"),
                Arguments.of(of(null, null, null, "tour", null, null, null, null, null, null), "13"),
                Arguments.of(
                        new SetConditions(null, null, null, null, false, null, null, null, null, null, null, null),
                        "2"),
                Arguments.of(of(null, null, null, null, new Range(30.0, 89.0), null, null, null, null, null), "1"),
                Arguments.of(of(null, null, null, null, new Range(null, null), null, null, null, null, null), "13"),
                Arguments.of(of(null, null, null, null, null, new Range(null, 90.0), null, null, null, null), "1"),
                Arguments.of(of(null, null, null, null, null, null, false, null, null, null), "3"),
                Arguments.of(
                        of(null, null, null, null, null, null, null, new FoundBy(Field.TITLE, "too-long"), null, null),
                        "1"),
                Arguments.of(of(null, null, null, null, null, null, null, null, List.of(3L, 2L, 99L), null), "23"),
                Arguments.of(of(null, null, null, null, null, null, null, null, null, "Tours"), "12"),
                Arguments.of(of(null, "de", null, null, null, null, null, null, null, "Tours"), "2"));
    }

    @ParameterizedTest
    @MethodSource("cases")
    void tellsWhoBelongsToIt(SetConditions set, String expected) {
        StringBuilder found = new StringBuilder();
        for (Item item : ITEMS) if (set.test(TODAY, SETS).test(item)) found.append(item.id());
        assertThat(found.toString()).isEqualTo(expected);
    }

    @Test
    void setsWithinEachOtherAreRefusedAndSoIsWhatCannotBeRead() {
        SetConditions inTours = ALL.inside("Tours");
        inTours.refuseCircle("New", SETS);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> ALL.inside("Tours").refuseCircle("Listed", Map.of("Tours", SETS.get("Tours"))))
                .withMessage("sets within each other: Listed → Tours → Listed");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> ALL.inside("Nowhere").refuseCircle("New", SETS))
                .withMessage("within: there is no set “Nowhere”");
        assertThat(of(
                                " ",
                                null,
                                null,
                                null,
                                new Range(5.0, 1.0),
                                null,
                                null,
                                new FoundBy(Field.TAGS, "loud"),
                                null,
                                null)
                        .problems(Set.of("title too-long")))
                .containsExactly(
                        "addresses: expected a pattern such as /tours/*, got nothing",
                        "price: expected a range, got from 5.0 to 1.0",
                        "found: there is no check \"loud\" of that field");
        SetConditions late =
                of(null, null, null, null, null, null, null, new FoundBy(Field.TITLE, "too-long"), null, null);
        assertThat(ALL.inside("Late").restsOnFindings(Map.of("Late", late))).isTrue();
        assertThat(inTours.restsOnFindings(SETS)).isFalse();
    }
}
