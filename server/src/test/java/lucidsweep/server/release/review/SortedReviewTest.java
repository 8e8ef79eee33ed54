package lucidsweep.server.release.review;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Map;
import java.util.Random;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.ItemText;
import lucidsweep.server.item.draft.FieldLine;
import lucidsweep.server.web.Refusal;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.json.JsonMapper;

/** What a client decided, held against what is here by now. */
class SortedReviewTest {

    private static final long ITEM = 4L << 31;
    private static final JsonMapper JSON = new JsonMapper();

    private static FieldLine line(Field field, String draft, DraftState state) {
        return new FieldLine(ITEM, new ItemText(field, "Old", draft, state, null), 1, null, 0);
    }

    private static ReturnedReview returned(String decisions) {
        return ReturnedReview.of(("{\"sheet\":\"s\",\"decisions\":[" + decisions + "]}").getBytes(UTF_8), JSON);
    }

    private static String sorted(ReturnedReview review, FieldLine now, String note) {
        SortedReview sorted =
                SortedReview.of(review, Map.of(now.id(), "Seen"), Map.of(now.id(), now), Map.of(now.id(), note));
        assertThat(sorted.clear().size() + sorted.conflicts().size() + sorted.same() + sorted.unknown())
                .isEqualTo(1);
        if (sorted.same() == 1) return "same";
        if (sorted.unknown() == 1) return "unknown";
        return sorted.clear().isEmpty() ? "conflict" : "clear";
    }

    @ParameterizedTest
    @CsvSource(
            nullValues = "-",
            value = {
                "TITLE, Seen, DRAFTED, approve, '', '', clear",
                "TITLE, Seen, SENT_BACK, approve, '', '', clear",
                "TITLE, Seen, APPROVED, approve, '', '', same",
                "TITLE, Seen, DELIVERED, approve, '', '', same",
                "TITLE, Seen, LIVE, send-back, Why?, '', conflict",
                "TITLE, Other, DRAFTED, approve, '', '', conflict",
                "TITLE, Other, APPROVED, approve, '', '', conflict",
                "TITLE, -, -, approve, '', '', conflict",
                "TITLE, Seen, SENT_BACK, send-back, '', '', same",
                "TITLE, Seen, SENT_BACK, send-back, Why?, '', clear",
                "TITLE, Seen, SENT_BACK, send-back, Why?, Why?, same",
                "TITLE, Seen, APPROVED, send-back, '', '', clear",
                "TITLE, Seen, DRAFTED, reword, '', '', clear",
                "TITLE, Mine, DRAFTED, reword, '', '', clear",
                "TITLE, Mine, APPROVED, reword, '', '', same",
                "TITLE, Mine, LIVE, reword, '', '', same",
                "TITLE, Other, DRAFTED, reword, '', '', conflict",
                "SLUG, Seen, DRAFTED, reword, '', '', unknown",
                "IMAGES, Seen, DRAFTED, reword, '', '', unknown",
                "IMAGES, Seen, DRAFTED, approve, '', '', clear",
            })
    void eachDecisionIsSorted(
            Field field, String draft, DraftState state, String decision, String note, String noted, String sorted) {
        FieldLine now = line(field, draft, state);
        String entry = "{\"id\":\"" + now.id() + "\",\"decision\":\"" + decision + "\",\"text\":\"Mine\",\"note\":\""
                + note + "\"}";
        assertThat(sorted(returned(entry), now, noted)).isEqualTo(sorted);
    }

    @Test
    void whatSaysNothingIsCountedAndDoesNothing() {
        String id = Long.toString(line(Field.TITLE, "Seen", DraftState.DRAFTED).id());
        ReturnedReview review = returned(String.join(
                ",",
                "7",
                "null",
                "[]",
                "{}",
                "{\"id\":\"-1\",\"decision\":\"approve\"}",
                "{\"id\":\"99999999999999999999\",\"decision\":\"approve\"}",
                "{\"id\":\"" + id + "\",\"decision\":\"agree\"}",
                "{\"id\":\"" + id + "\",\"decision\":\"reword\"}",
                "{\"id\":\"" + id + "\",\"decision\":\"reword\",\"text\":\"  \"}",
                "{\"id\":\"" + id + "\",\"decision\":\"send-back\",\"note\":\"" + "x".repeat(2_001) + "\"}",
                "{\"id\":\"" + id + "\",\"decision\":\"approve\"}",
                "{\"id\":\"" + id + "\",\"decision\":\"send-back\"}"));
        assertThat(review.unreadable()).isEqualTo(11);
        assertThat(review.decided()).hasSize(1);
        assertThat(review.decided().get(Long.parseLong(id)).decision())
                .as("the first of two counts")
                .isEqualTo(ReviewSheet.Decision.APPROVE);
    }

    /** Whatever bytes come, they are read or refused in words. */
    @Test
    void damagedFilesAreRefusedInWords() {
        byte[] whole = "{\"sheet\":\"s\",\"decisions\":[{\"id\":\"64\",\"decision\":\"reword\",\"text\":\"Oars\"}]}"
                .getBytes(UTF_8);
        Random random = new Random(7);
        int refused = 0;
        for (int i = 0; i < 2_000; i++) {
            byte[] damaged = whole.clone();
            for (int j = 0; j <= random.nextInt(3); j++)
                damaged[random.nextInt(whole.length)] = (byte) random.nextInt();
            try {
                ReturnedReview.of(damaged, JSON);
            } catch (Refusal words) {
                refused++;
            }
        }
        assertThat(refused).isBetween(1_000, 1_999);
        assertThatThrownBy(() -> ReturnedReview.of(new byte[0], JSON)).isInstanceOf(Refusal.class);
    }
}
