package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AddressScopeTest {

    @ParameterizedTest
    @CsvSource({
        "/tours/, /tours/, true",
        "/tours/, /tours/gull-cove?day=2, true",
        "/tours/, /our/tours/, false",
        "/tours, /tourshop, true",
        "/*/gallery, /tours/gull-cove/gallery/3, true",
        "/*.pdf$, /files/chart.pdf, true",
        "/*.pdf$, /files/chart.pdf?size=2, false",
        "/*?page=, /shop/?page=2, true",
        "/tours/$, /tours/, true",
        "/tours/$, /tours/x, false",
        "/a*a*b$, /aab, true",
        "/a*a*b$, /ab, false",
        "gull-cove, /tours/gull-cove/, true",
        "gull-cove$, /tours/gull-cove/, false",
        "https://example.com/t, /tours/, true",
        "http://example.com/t, /tours/, false",
        "/möwe, /m%C3%B6we/, true",
        "*, /, true",
    })
    void patternsAreReadAsInRobotsTxt(String pattern, String path, boolean fits) {
        assertThat(AddressPattern.of(pattern).matches("https://example.com" + path))
                .isEqualTo(fits);
    }

    @Test
    void aHostilePatternTakesNoLongerThanItIs() {
        String address = "https://example.com/" + "a".repeat(1_900);
        assertThat(AddressPattern.of("/" + "a*".repeat(240) + "b").matches(address))
                .isFalse();
        assertThatThrownBy(() -> AddressPattern.of("/" + "a*".repeat(300))).hasMessageContaining("at most 500");
        assertThatThrownBy(() -> AddressPattern.of("  ")).hasMessageContaining("got nothing");
    }

    @ParameterizedTest
    @CsvSource({
        "KEEP, '', /a?z=1&a=2, /a?z=1&a=2",
        "KEEP, sid, /a?z=1&SID=2&a=3, /a?z=1&a=3",
        "KEEP, 'z;a', /a?z=1&a=2, /a",
        "SORT, '', /a?z=1&a=2&&m, /a?a=2&m&z=1",
        "SORT, m, /a?z=1&a=2&m, /a?a=2&z=1",
        "DROP, '', /a?z=1&a=2, /a",
        "DROP, '', /a, /a",
        "SORT, '', /a?, /a",
    })
    void parametersAreKeptSortedOrTakenOff(QueryRule.Handling handling, String without, String path, String expected) {
        QueryRule rule = new QueryRule(handling, without.isEmpty() ? Set.of() : Set.of(without.split(";")));
        assertThat(rule.of("https://example.com" + path)).isEqualTo("https://example.com" + expected);
    }

    @ParameterizedTest
    @CsvSource({
        "https://example.com/, false, true",
        "http://www.example.com/a, false, true",
        "https://shop.example.com/, false, false",
        "https://shop.example.com/, true, true",
        "https://example.com.evil.example/, true, false",
        "https://notexample.com/, true, false",
        "https://example.com:8443/, true, false",
    })
    void theHostIsHereWithItsVariants(String address, boolean subdomains, boolean here) {
        AddressScope scope = scope(List.of(), List.of(), subdomains);
        scope.keepTo(URI.create("https://www.example.com/start"));
        assertThat(scope.isHere(address)).isEqualTo(here);
    }

    @Test
    void saysWhatIsLeftOutAndWhy() {
        AddressScope scope = scope(List.of("/tours/", "/hire/"), List.of("/*?print="), false);
        assertThat(scope.objection("https://example.com/tours/otter")).isEmpty();
        assertThat(scope.objection("https://example.com/tours/otter?print=1")).contains("excluded by /*?print=");
        assertThat(scope.objection("https://example.com/legal")).contains("fits none of the 2 included patterns");
        assertThat(scope(List.of("/tours/"), List.of(), false).objection("https://example.com/legal"))
                .contains("does not fit /tours/");
    }

    private static AddressScope scope(List<String> include, List<String> exclude, boolean subdomains) {
        return new AddressScope(
                include.stream().map(AddressPattern::of).toList(),
                exclude.stream().map(AddressPattern::of).toList(),
                subdomains,
                QueryRule.KEEP);
    }
}
