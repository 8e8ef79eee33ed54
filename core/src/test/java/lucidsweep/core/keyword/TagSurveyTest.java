package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class TagSurveyTest {

    @Test
    void tellsOfEveryTagWhatIsSearchedOfItAndWhatSaysTheSameOrMore() {
        TagSurvey survey = new TagSurvey(Words.in("en"));
        survey.item(List.of("kayak gift", "paddle", "paddle", "boat"));
        survey.item(List.of("kayak gifts", "paddle"));
        survey.item(List.of("the"));
        Map<String, Long> keywords = new HashMap<>();
        keywords.put("paddles", 900L);
        keywords.put("ash paddle", 300L);
        keywords.put("greenland paddle of ash", 700L);
        keywords.put("gift for a kayak fan", null);
        List<TagSurvey.Tag> tags = survey.tags(keywords, Map.of("carved paddle", 400.0, "ash paddles", 90.0));
        assertThat(tags)
                .extracting(TagSurvey.Tag::tag)
                .containsExactly("paddle", "boat", "kayak gift", "kayak gifts", "the");
        TagSurvey.Tag paddle = tags.get(0);
        assertThat(paddle.items()).isEqualTo(2);
        assertThat(paddle.searches()).isEqualTo(900);
        assertThat(paddle.oneWord()).isTrue();
        assertThat(paddle.longer())
                .containsExactly(
                        new TagSurvey.Longer("greenland paddle of ash", 700L, 0),
                        new TagSurvey.Longer("carved paddle", null, 400),
                        new TagSurvey.Longer("ash paddle", 300L, 90));
        assertThat(tags.get(1).searches()).isNull();
        assertThat(tags.get(2).twins()).containsExactly("kayak gifts");
        assertThat(tags.get(2).longer()).containsExactly(new TagSurvey.Longer("gift for a kayak fan", null, 0));
        assertThat(tags.get(2).oneWord()).isFalse();
    }
}
