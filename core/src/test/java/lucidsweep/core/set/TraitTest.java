package lucidsweep.core.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.stream.Stream;
import lucidsweep.core.item.Field;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TraitTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/boats/kits/gull.html | /boats/ | NaN | folder /boats/kits/",
                "/boats/kits/oak/gull  | /boats/ | 12  | folder /boats/kits/, published ..61, published ..183, published ..365",
                "/boats/gull.html      | /boats/ | 365 | published ..365",
                "/boats/gull.html      | /boats/ | 366 | published 366..",
                "''                    | Ropes   | 100 | published ..183, published ..365",
                "/boats/kits/gull      | Ropes   | NaN | ''"
            })
    void anItemHasTheTraitsOfItsFolderAndAge(String path, String section, double age, String traits) {
        assertThat(Trait.all(path, section, age))
                .extracting(Trait::toString)
                .containsExactly(Stream.of(traits.split(", "))
                        .filter(trait -> !trait.isEmpty())
                        .toArray(String[]::new));
        for (Trait trait : Trait.all(path, section, age)) {
            assertThat(Trait.of(trait.toString())).isEqualTo(trait);
            assertThat(trait.test(1_000).test(new Published("https://bay.example" + path, 1_000 - age)))
                    .as(trait.toString())
                    .isTrue();
        }
    }

    @Test
    void aFolderIsThatOfThePathAndNotOfAnIdOrHost() {
        Trait kits = Trait.of("folder /Boats/kits/");
        assertThat(kits.test(0).test(new Published("https://bay.example/boats/kits/gull", 0)))
                .isTrue();
        assertThat(kits.test(0).test(new Published("https://bay.example/shop/boats/kits/gull", 0)))
                .isFalse();
        assertThat(kits.test(0).test(new Published("https://bay.example", 0))).isFalse();
        assertThat(kits.test(0).test(new Published("l17", 0))).isFalse();
        assertThat(Trait.of("published ..61").test(100).test(new Published("l17", SetMember.UNKNOWN)))
                .isFalse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"", "folder", "folder boats/", "published 61", "published ..x", "published ..12345678", "tag x"})
    void whatIsNoneIsRefused(String written) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Trait.of(written))
                .withMessageContaining("expected \"folder /boats/kits/\"");
    }

    /** An item of which only its address and its day matter. */
    private record Published(String address, double publishedDay) implements SetMember {
        @Override
        public long id() {
            return 1;
        }

        @Override
        public String section() {
            return "";
        }

        @Override
        public String language() {
            return "";
        }

        @Override
        public String tags() {
            return "";
        }

        @Override
        public String keyword() {
            return "";
        }

        @Override
        public double price() {
            return UNKNOWN;
        }

        @Override
        public boolean indexable() {
            return true;
        }

        @Override
        public boolean hasFinding(Field field, String check) {
            return false;
        }
    }
}
