package lucidsweep.core.standard;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import org.junit.jupiter.api.Test;

class StandardFormTest {

    private static final Set<String> CHECKS =
            Checks.all().stream().map(Check::id).collect(Collectors.toSet());
    private static final StandardForm NOTHING =
            new StandardForm(null, null, null, null, null, null, null, null, null, null);

    @Test
    void everythingThatCanBeSetComesBackAndWhatIsNotSetIsReadyMade() {
        for (Standard ready : List.of(Standard.ofPages(), Standard.ofListings(), Standard.ofVideos())) {
            assertThat(NOTHING.over(ready)).isEqualTo(ready);
            StandardForm all = StandardForm.of(ready);
            assertThat(all.problems(CHECKS)).isEmpty();
            Standard other = ready.equals(Standard.ofPages()) ? Standard.ofListings() : Standard.ofPages();
            assertThat(StandardForm.of(all.over(other))).isEqualTo(all);
        }
        Standard set = new StandardForm(
                        new StandardForm.Text(600, null, 70, null),
                        null,
                        null,
                        null,
                        null,
                        new StandardForm.Likeness(null, null, null, 0.5, null),
                        List.of("start page"),
                        List.of(" Row ", ""),
                        null,
                        Set.of("title too-long"))
                .over(Standard.ofPages());
        assertThat(set.title().desktop().limitPx()).isEqualTo(600);
        assertThat(set.title().phone()).isEqualTo(Standard.ofPages().title().phone());
        assertThat(set.title().maxChars()).isEqualTo(70);
        assertThat(set.alike().endingShare()).isEqualTo(0.5);
        assertThat(set.generic()).containsExactly("start page");
        assertThat(set.calls()).containsExactly("row");
        assertThat(set.off()).containsExactly("title too-long");
        assertThat(set.description()).isEqualTo(Standard.ofPages().description());
    }

    @Test
    void onlyWhatDiffersIsKeptAndComesBack() {
        Standard pages = Standard.ofPages();
        for (StandardForm set : List.of(
                new StandardForm(
                        new StandardForm.Text(null, null, 58, null),
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null,
                        null),
                new StandardForm(
                        null,
                        null,
                        null,
                        null,
                        new StandardForm.Pages(null, 90, null),
                        null,
                        List.of("news"),
                        null,
                        30,
                        null),
                NOTHING)) {
            StandardForm whole = StandardForm.of(set.over(pages));
            assertThat(whole.differingFrom(StandardForm.of(pages))).isEqualTo(set);
        }
        assertThat(NOTHING.setsNothing()).isTrue();
    }

    @Test
    void whatCannotBeUsedIsSaidWithWhatWasExpectedAndWhatCame() {
        StandardForm bad = new StandardForm(
                new StandardForm.Text(300, -5, 0, 400),
                null,
                new StandardForm.Tags(-1, null, 0),
                null,
                new StandardForm.Pages(null, 0, null),
                new StandardForm.Likeness(1.5, null, null, null, null),
                null,
                null,
                null,
                Set.of("title too-loud"));
        assertThat(bad.problems(CHECKS))
                .containsExactlyInAnyOrder(
                        "title.mobilePx: expected a number from 1 to 30000, got -5",
                        "title.maxChars: expected a number from 1 to 100000, got 0",
                        "title.minPx: expected no more than desktopPx, 300, got 400",
                        "tags.max: expected a number from 0 to 1000, got -1",
                        "tags.maxTotalChars: expected a number from 1 to 100000, got 0",
                        "pages.maxAltChars: expected a number from 1 to 100000, got 0",
                        "likeness.nearTitles: expected a number from 0.5 to 1, got 1.5",
                        "off: there is no check \"title too-loud\"");
    }
}
