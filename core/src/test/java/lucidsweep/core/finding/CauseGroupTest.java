package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lucidsweep.core.item.Field;
import org.junit.jupiter.api.Test;

class CauseGroupTest {

    private static Cause cause(String code, int items, double clicks) {
        Check check = Checks.of(Field.TITLE, code);
        return new Cause(
                check, "", "", null, items, 3, new Stake(clicks, clicks / 2, clicks * 2), items, code, check.fix());
    }

    @Test
    void mergedCausesStandWhereTheirClicksTogetherPutThem() {
        List<Cause> causes = List.of(
                cause("missing", 9, 50), cause("too-long", 40, 30), cause("generic", 5, 28), cause("too-short", 7, 0));
        List<CauseGroup> groups =
                CauseGroup.of(causes, cause -> cause.says().equals("missing") || cause.items() == 7 ? "" : "Lengths");
        assertThat(groups).extracting(CauseGroup::name).containsExactly("Lengths", "", "");
        CauseGroup merged = groups.get(0);
        assertThat(merged.causes()).containsExactly(causes.get(1), causes.get(2));
        assertThat(merged.findings()).isEqualTo(45);
        assertThat(merged.links()).isEqualTo(6);
        assertThat(merged.stake()).isEqualTo(new Stake(58, 29, 116));
        assertThat(merged.weight()).isEqualTo(45);
        assertThat(CauseGroup.of(causes, cause -> ""))
                .extracting(group -> group.causes().get(0))
                .containsExactlyElementsOf(causes);
    }
}
