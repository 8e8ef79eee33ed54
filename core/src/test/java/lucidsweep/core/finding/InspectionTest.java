package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Ending;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class InspectionTest {

    private static final Words ENGLISH = Words.in("en");
    private static final String GOOD_TITLE = "Kayak hire by the hour in Gull Cove";
    private static final String GOOD_TEXT = "Hire a kayak in Gull Cove for two hours, half a day or a whole week.";
    private static final InspectionContext AROUND = new InspectionContext(
            Standard.ofPages(),
            List.of(new Ending(" | Tarrin Bay Kayaks, all year", 80, 260)),
            Set.of("tarrin bay kayaks"));

    @ParameterizedTest
    @CsvSource({
        "1, Kayak hire by the hour in Gull Cove, ''",
        "0, '', missing",
        "1, '', empty",
        "2, Kayak hire by the hour in Gull Cove, several",
        "1, Hire, too-short",
        "1, 'Kayak hire by the hour in Gull Cove, by the day in Fennick, by the week elsewhere', too-long",
        "1, Home, too-short generic",
        "1, Tarrin Bay Kayaks, too-short generic",
        "1, Tarrin Bay Kayaks | Home page of ours, ''",
        "1, Home | Tarrin Bay Kayaks, generic",
        "1, 'Kayaks, kayaks and more kayaks for hire', repeated-word",
        "1, Kayak kayak hire in Gull Cove by day, repeated-word",
        "1, 'Boats | Tarrin Bay Kayaks, all year', common-ending",
    })
    void titles(int captured, String title, String findings) {
        assertThat(kinds(subject(text(Field.TITLE, captured, title, 1), good(), 1, null, null), Field.TITLE))
                .isEqualTo(findings);
    }

    @ParameterizedTest
    @CsvSource({"kayak hire, ''", "kayak lessons, off-keyword", "gull cove, keyword-late", "hire of kayaks, ''"})
    void keywords(String keyword, String findings) {
        assertThat(kinds(subject(text(Field.TITLE, 1, GOOD_TITLE, 1), good(), 1, null, keyword), Field.TITLE))
                .isEqualTo(findings);
    }

    @ParameterizedTest
    @CsvSource({
        "'', missing",
        "'kayak gift, sea kayak', budget-unused",
        "'kayak, sea kayak', one-word budget-unused",
        "'sea kayak, Sea-Kayak', same-twice budget-unused",
        "'a gift for somebody who paddles', too-long budget-unused",
        "'a b,a c,a d,a e,a f,a g,a h,a i,a j,a k,a l,a m,a n', ''",
        "'a b,a c,a d,a e,a f,a g,a h,a i,a j,a k,a l,a m,a n,a o', too-many",
    })
    void tags(String tags, String findings) {
        List<String> list = tags.isEmpty() ? List.of() : List.of(tags.split(", ?"));
        assertThat(kinds(subject(text(Field.TITLE, 1, GOOD_TITLE, 1), good(), -1, list, null), Field.TAGS))
                .isEqualTo(findings);
    }

    @Test
    void duplicatesNameATwinAndCountTheOthers() {
        InspectedItem three = subject(text(Field.TITLE, 1, GOOD_TITLE, 3), good(), 1, null, null);
        assertThat(new Inspection(AROUND).of(three)).singleElement().satisfies(finding -> {
            assertThat(finding.kind()).isEqualTo(FindingKind.DUPLICATE);
            assertThat(finding.evidence()).isEqualTo("the same as /twin and 1 other");
            assertThat(finding.shared()).isEqualTo("kayak hire by the hour in gull cove");
        });
    }

    @Test
    void headingsAndWhatKeepsAPageOut() {
        assertThat(kinds(subject(text(Field.TITLE, 1, GOOD_TITLE, 1), good(), 0, null, null), Field.H1))
                .isEqualTo("missing");
        assertThat(kinds(subject(text(Field.TITLE, 1, GOOD_TITLE, 1), good(), 3, null, null), Field.H1))
                .isEqualTo("several");
        InspectedItem noindex = new InspectedItem(
                Optional.of(new Noindex(Noindex.Reason.NOINDEX, "noindex")),
                text(Field.TITLE, 1, GOOD_TITLE, 4),
                good(),
                1,
                null,
                Optional.empty(),
                Set.of());
        assertThat(new Inspection(AROUND).of(noindex))
                .extracting(Finding::kind)
                .containsExactly(FindingKind.NOT_INDEXABLE);
    }

    @Test
    void keptFieldsAreLeftAlone() {
        InspectedItem kept = new InspectedItem(
                Optional.empty(),
                text(Field.TITLE, 1, "Home", 1),
                text(Field.DESCRIPTION, 0, "", 1),
                1,
                null,
                Optional.empty(),
                EnumSet.of(Field.TITLE));
        assertThat(new Inspection(AROUND).of(kept)).extracting(Finding::field).containsExactly(Field.DESCRIPTION);
    }

    @Test
    void evidenceSaysByHowMuch() {
        InspectedItem wide = subject(text(Field.TITLE, 1, "W".repeat(40), 1), good(), 1, null, null);
        assertThat(new Inspection(AROUND).of(wide))
                .filteredOn(f -> f.kind() == FindingKind.TOO_LONG)
                .singleElement()
                .extracting(Finding::evidence)
                .isEqualTo("176 px over 580 on a desktop, 100 px over 580 on mobile");
    }

    @Test
    void causesGatherWhatOneActionMends() {
        List<Tally> tallies = List.of(
                new Tally(Field.TITLE, FindingKind.COMMON_ENDING, " | Tarrin", "/tours/", 70, 70),
                new Tally(Field.TITLE, FindingKind.COMMON_ENDING, " | Tarrin", "/hire/", 10, 10),
                new Tally(Field.DESCRIPTION, FindingKind.MISSING, "", "/shop/", 40, 500),
                new Tally(Field.DESCRIPTION, FindingKind.MISSING, "", "/journal/", 3, 5),
                new Tally(Field.TITLE, FindingKind.DUPLICATE, "boats", "/shop/", 9, 9),
                new Tally(Field.TITLE, FindingKind.DUPLICATE, "canoes", "/shop/", 2, 2),
                new Tally(Field.TITLE, FindingKind.DUPLICATE, "oars", "/hire/", 2, 2));
        List<Cause> causes = Causes.of(tallies, ending -> 75);
        assertThat(causes)
                .extracting(Cause::says)
                .containsExactly(
                        "40 items in /shop/ have no description.",
                        "80 titles end in the same 8 letters, “| Tarrin”. Without them, 75 fit.",
                        "9 items share one title: “boats”.",
                        "4 titles are used on several items, in 2 small groups.",
                        "3 items in /journal/ have no description.");
        assertThat(causes.get(1).fix()).isEqualTo(Cause.Fix.REMOVE_ENDING);
        assertThat(causes).isSortedAccordingTo((a, b) -> Double.compare(b.weight(), a.weight()));
    }

    @Test
    void everyKindOfFindingCanBeACause() {
        for (FindingKind kind : FindingKind.values()) {
            Tally tally = new Tally(Field.TITLE, kind, "shared", "/", 1, 0);
            assertThat(Causes.of(List.of(tally), ending -> 1).get(0).says())
                    .startsWith("1 ")
                    .endsWith(".");
        }
    }

    private static InspectedItem.Text good() {
        return text(Field.DESCRIPTION, 1, GOOD_TEXT + " Kayak lessons too.", 1);
    }

    private static InspectedItem.Text text(Field field, int captured, String value, int alike) {
        return new InspectedItem.Text(field, captured, value, ENGLISH, alike, alike > 1 ? "/twin" : "");
    }

    private static InspectedItem subject(
            InspectedItem.Text title, InspectedItem.Text description, int h1s, List<String> tags, String keyword) {
        return new InspectedItem(
                Optional.empty(),
                title,
                description,
                h1s,
                tags,
                Optional.ofNullable(keyword).map(k -> Phrase.of(k, ENGLISH)),
                Set.of());
    }

    private static String kinds(InspectedItem subject, Field field) {
        return String.join(
                " ",
                new Inspection(AROUND)
                        .of(subject).stream()
                                .filter(finding -> finding.field() == field)
                                .map(finding -> finding.kind().code())
                                .toList());
    }
}
