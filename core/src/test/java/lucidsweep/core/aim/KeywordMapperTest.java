package lucidsweep.core.aim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.demand.BetterKeywords;
import lucidsweep.core.demand.ClickCurve;
import lucidsweep.core.keyword.Decided;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.Target;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is worked out, held against what was planted in a made-up property. */
class KeywordMapperTest {

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void findsWhatWasPlantedInANoisyProperty(long seed) {
        MadeUpPottery pottery = new MadeUpPottery(seed);
        KeywordMapper aiming = pottery.aiming();
        AimPlan plan = aiming.plan(new Decided());
        List<String> keywords = new ArrayList<>(pottery.keywords.keySet());

        Map<String, String> primary = new HashMap<>();
        for (Target target : plan.targets()) {
            if (target.role() != Target.Role.PRIMARY) continue;
            primary.put(pottery.address(target.item()), keywords.get(target.keyword()));
        }
        long right = pottery.homes.entrySet().stream()
                .filter(home -> home.getValue().equals(primary.get(home.getKey())))
                .count();
        assertThat(right / (double) pottery.homes.size())
                .as("primary targets that are right")
                .isGreaterThanOrEqualTo(0.95);

        Set<String> proposed = new HashSet<>();
        for (BetterKeywords.Better better : plan.better()) {
            proposed.add(pottery.address(better.item()) + " " + aiming.query(better.query()));
        }
        assertThat(pottery.better).isNotEmpty();
        pottery.better.forEach((address, query) -> assertThat(proposed).contains(address + " " + query));
        assertThat(proposed).doesNotContainAnyElementsOf(pottery.forbidden);
        assertThat(proposed).as("little else").hasSizeLessThanOrEqualTo(pottery.better.size() + 3);

        Set<String> homeless = new HashSet<>();
        plan.gaps().forEach(gap -> gap.keywords().forEach(keyword -> homeless.add(keywords.get(keyword))));
        assertThat(homeless).containsAll(pottery.gaps).noneMatch(keyword -> keyword.startsWith("hollow"));
        for (AimPlan.Gap gap : plan.gaps()) {
            assertThat(gap.page().title()).isNotBlank();
            assertThat(Standard.ofPages()
                            .title()
                            .fits(gap.page().title(), gap.page().title().length()))
                    .isTrue();
            assertThat(gap.page().slug()).matches("[a-z0-9]+(-[a-z0-9]+)*");
        }
        for (ClickCurve.Point point : plan.curve().points().subList(1, 12)) {
            double truth = MadeUpPottery.rate(point.position());
            assertThat(point.rate()).as("rate at %d", point.position()).isCloseTo(truth, within(0.25 * truth));
        }
    }

    @Test
    void theSameGivenTwiceGivesTheSame() {
        AimPlan one = new MadeUpPottery(9).aiming().plan(new Decided());
        AimPlan two = new MadeUpPottery(9).aiming().plan(new Decided());
        assertThat(two.targets()).isEqualTo(one.targets());
        assertThat(two.better()).isEqualTo(one.better());
        assertThat(two.gaps()).isEqualTo(one.gaps());
        assertThat(two.topics()).isEqualTo(one.topics());
    }

    @Test
    void aPropertyOfThreePagesWithoutDemandStillHasTargetsAndGaps() {
        KeywordMapper aiming =
                new KeywordMapper(Words.in("en"), Standard.ofPages(), List.of(), "", List.of(), 20_000, false);
        aiming.keyword("kiln hire", 10);
        aiming.keyword("clay", 0);
        for (int i = 0; i < 3; i++) {
            aiming.item(i, "https://three.example/" + i, "/", new ItemTexts("Kiln hire " + i, "", "", "", "", ""), -1);
        }
        AimPlan plan = aiming.plan(new Decided());
        assertThat(plan.targets()).hasSize(1);
        assertThat(plan.gaps())
                .singleElement()
                .extracting(gap -> gap.page().title())
                .isEqualTo("Clay");
        assertThat(plan.better()).isEmpty();
        assertThat(plan.curve().shape()).isEqualTo(ClickCurve.Shape.DEFAULT);
        assertThat(plan.reported()).isEqualTo(new AimPlan.Reported(0, 0, 0, 0, 0, 0));
    }

    @Test
    void demandThatMakesNoSenseIsCountedAndSaid() {
        KeywordMapper aiming =
                new KeywordMapper(Words.in("en"), Standard.ofPages(), List.of(), "", List.of(), 20_000, false);
        aiming.keyword("kiln hire", 10);
        aiming.demand("https://three.example/nowhere", "kiln hire", 19_970, 19_999, 1, 50, 4);
        aiming.demand("https://three.example/0", "kiln hire", 19_970, 19_999, 90, 50, 0);
        aiming.item(0, "https://three.example/0", "/", new ItemTexts("Kiln hire", "", "", "", "", ""), -1);
        AimPlan.Reported reported = aiming.plan(new Decided()).reported();
        assertThat(reported.rows()).isEqualTo(2);
        assertThat(reported.elsewhere()).isEqualTo(1);
        assertThat(reported.withoutPosition()).isEqualTo(1);
        assertThat(reported.tooManyClicks()).isEqualTo(1);
        assertThat(reported.missingDays()).isEqualTo(61);
    }
}
