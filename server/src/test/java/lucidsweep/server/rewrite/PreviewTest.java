package lucidsweep.server.rewrite;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.ItemText;
import lucidsweep.server.item.draft.FieldLine;
import org.junit.jupiter.api.Test;

class PreviewTest {

    private static final long[] SELECTED = {3, 5, 8, 13};

    private final Preview preview = new Preview(1, null, 7, SELECTED);

    private static Proposal unchanged(long item) {
        FieldLine line = new FieldLine(item, new ItemText(Field.TITLE, "Oars", null, null, null), 1, null, 0);
        return Proposal.unchanged(line, null, Proposal.Result.UNCHANGED);
    }

    @Test
    void itemsAreAwaitedUntilTheirTurnOrTheEnd() {
        long[] inView = {13, 4, 5, 13, 3};
        assertThat(preview.awaited(inView)).as("selected, each once").containsExactly(3, 5, 13);
        preview.add(List.of(unchanged(3), unchanged(5)));
        assertThat(preview.awaited(inView)).containsExactly(13);
        assertThat(preview.line(5).early()).isFalse();
        assertThat(preview.line(13)).isNull();
        preview.complete("the application ends");
        assertThat(preview.awaited(inView)).isEmpty();
    }
}
