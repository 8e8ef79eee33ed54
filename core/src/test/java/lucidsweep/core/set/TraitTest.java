package lucidsweep.core.set;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.util.List;
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
                "/boats/kits/gull.html | /boats/ | NaN | NaN | folder /boats/kits/",
                "/boats/kits/oak/gull  | /boats/ | 12  | NaN | folder /boats/kits/, published ..61, published ..183, published ..365",
                "/boats/gull.html      | /boats/ | 365 | 62  | published ..365, changed ..183, changed ..365",
                "/boats/gull.html      | /boats/ | 366 | 366 | published 366.., changed 366..",
                "''                    | Ropes   | 100 | NaN | published ..183, published ..365",
                "/boats/kits/gull      | Ropes   | NaN | NaN | ''"
            })
    void anItemHasTheTraitsOfItsFolderAndAge(
            String path, String section, double published, double changed, String traits) {
        assertThat(Trait.all(path, section, published, changed))
                .extracting(Trait::toString)
                .containsExactly(Stream.of(traits.split(", "))
                        .filter(trait -> !trait.isEmpty())
                        .toArray(String[]::new));
        Item item = new Item("https://bay.example" + path, 1_000 - published, 1_000 - changed, "", List.of());
        for (Trait trait : Trait.all(path, section, published, changed)) {
            assertThat(Trait.of(trait.toString())).isEqualTo(trait);
            assertThat(trait.test(1_000).test(item)).as(trait.toString()).isTrue();
        }
    }

    @Test
    void aFolderIsThatOfThePathAndNotOfAnIdOrHost() {
        Trait kits = Trait.of("folder /Boats/kits/");
        assertThat(kits.test(0).test(new Item("https://bay.example/boats/kits/gull", 0, 0, "", List.of())))
                .isTrue();
        assertThat(kits.test(0).test(new Item("https://bay.example/shop/boats/kits/gull", 0, 0, "", List.of())))
                .isFalse();
        assertThat(kits.test(0).test(new Item("https://bay.example", 0, 0, "", List.of())))
                .isFalse();
        assertThat(kits.test(0).test(new Item("l17", 0, 0, "", List.of()))).isFalse();
        assertThat(Trait.of("published ..61").test(100).test(new Item("l17", SetMember.UNKNOWN, 0, "", List.of())))
                .isFalse();
    }

    @Test
    void anItemHasTheTraitsOfItsTagsAndTitle() {
        Item item = new Item("l17", 0, 0, "oak, sea kayak", List.of("… | Hire", "Gull …"));
        assertThat(List.of("tagged Oak", "tagged sea kayak", "titled … | Hire", "titled Gull …"))
                .allMatch(written -> Trait.of(written).test(0).test(item));
        assertThat(List.of("tagged sea", "tagged kayak", "titled … | Hir", "titled Gull"))
                .noneMatch(written -> Trait.of(written).test(0).test(item));
        assertThat(Trait.of("titled … | Hire").inWords()).isEqualTo("under titles like “… | Hire”");
        assertThat(Trait.of("changed 30..60").inWords()).isEqualTo("changed 30..60 days ago");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "folder",
                "folder boats/",
                "published 61",
                "published ..x",
                "published ..12345678",
                "tagged  ",
                "tag x"
            })
    void whatIsNoneIsRefused(String written) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Trait.of(written))
                .withMessageContaining("expected \"folder /boats/kits/\"");
    }

    private record Item(String address, double publishedDay, double changedDay, String tags, List<String> titlePatterns)
            implements SetMember {
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
