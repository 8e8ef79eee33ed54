package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.core.demand.Course;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class GroupSurveyTest {

    private final GroupSurvey survey = new GroupSurvey(Words.in("en"));

    private void items(String group, int first, int count) {
        for (int i = 0; i < count; i++) survey.item(first + i, group);
    }

    @Test
    void groupsAreHeldAgainstKeywordsByNameAndByMembers() {
        items("Paddles", 1, 20);
        items("For the home", 100, 24);
        items("Boat models", 200, 2);
        items("", 300, 5);
        items("Gifts", 400, 4);
        survey.keyword("greenland paddle", 900, "paddles", 1L);
        survey.keyword("ash paddle", 100, "paddles", 2L);
        survey.keyword("paddle stand", 50, "wall hooks", 100L);
        survey.keyword("coat rack", 400, "wall hooks", 101L);
        survey.keyword("oar coat rack", 300, "wall hooks", null);
        survey.keyword("driftwood lamp", 200, "lamps", 102L);
        survey.keyword("bedside lamp", 100, "lamps", 103L);
        survey.keyword("half model", 10, "half model", 300L);
        List<GroupSurvey.Group> groups = survey.groups();
        assertThat(groups)
                .extracting(GroupSurvey.Group::name)
                .containsExactly("Boat models", "For the home", "Gifts", "Paddles");
        GroupSurvey.Group paddles = groups.get(3);
        assertThat(paddles.byName()).containsExactly("greenland paddle", "ash paddle", "paddle stand");
        assertThat(paddles.byNameVolume()).isEqualTo(1_050);
        assertThat(paddles.keywords()).isEqualTo(2);
        assertThat(paddles.volume()).isEqualTo(1_000);
        assertThat(paddles.thin()).isEmpty();
        assertThat(groups.get(0).thin()).isEqualTo("only 2 items");
        assertThat(groups.get(1).topics()).containsExactly("wall hooks", "lamps");
        assertThat(groups.get(2).thin()).isEqualTo("4 items, where the middle group has 20");
        assertThat(survey.ungrouped()).extracting(GroupSurvey.Ungrouped::topic).containsExactly("wall hooks", "lamps");
        assertThat(survey.ungrouped().get(0))
                .isEqualTo(new GroupSurvey.Ungrouped("wall hooks", 3, 750, 2, List.of("For the home")));
    }

    @Test
    void aTopicThatIsMostOfAGroupHasOne() {
        items("Sundries", 1, 9);
        survey.keyword("coat rack", 400, "wall hooks", 1L);
        survey.keyword("oar rack", 300, "wall hooks", 2L);
        survey.keyword("lamp", 10, "lamps", 3L);
        assertThat(survey.ungrouped()).isEmpty();
        assertThat(new GroupSurvey(Words.in("en")).groups()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "500, 300, RISING",
        "300, 500, FALLING",
        "500, 480, STEADY",
        "5, 2, STEADY",
        "0, 0, STEADY",
        "40, 0, RISING",
        "0, 40, FALLING",
        "10000, 9000, STEADY"
    })
    void aHandfulNeitherRisesNorFalls(long now, long before, Course course) {
        assertThat(Course.of(now, before)).isEqualTo(course);
    }
}
