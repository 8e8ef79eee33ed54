package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Stream;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.FindingLife;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.stake.ItemDemand;
import lucidsweep.core.stake.StakeModel;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.FieldLine;
import org.springframework.stereotype.Service;

/** Says of texts that are about to be delivered what they mend, and how many clicks that is estimated to win. */
@Service
public class Estimates {

    private final LifeMapper lives;
    private final Stakes stakes;

    Estimates(LifeMapper lives, Stakes stakes) {
        this.lives = lives;
        this.stakes = stakes;
    }

    /**
     * What a text is estimated to bring.
     *
     * @param mended the ids of the checks whose findings ended with the draft
     * @param won null where nothing is reported of the item
     */
    public record Estimate(List<String> mended, @Nullable Stake won) {

        public static final Estimate NONE = new Estimate(List.of(), null);
    }

    /**
     * Estimates drafts of one field.
     *
     * @param deliveredBefore when that field of an item was delivered the last time, in seconds since 1970: what had ended
     *     by then is not mended by these drafts
     * @return by the ids of the items; those of which nothing was ever found are left out
     */
    public Map<Long, Estimate> of(
            Property property, Field field, List<FieldLine> texts, Map<Long, Long> deliveredBefore) {
        if (texts.isEmpty()) return Map.of();
        long[] ids = texts.stream().mapToLong(FieldLine::itemId).toArray();
        List<LifeMapper.LifeLine> lines = IdRange.isDense(ids)
                ? lives.between(ids[0], ids[ids.length - 1])
                : lives.of(Arrays.stream(ids).boxed().toArray());
        Map<Long, FindingLife> lifeOf = new HashMap<>();
        lines.forEach(line -> lifeOf.put(line.itemId(), FindingLife.read(line.life())));
        Optional<StakeModel> model = stakes.costs(property.id())
                .map(costs -> costs.model(property.standard().leadingWords()));
        Map<Long, ItemDemand> demand = model.isEmpty() ? Map.of() : stakes.demand(ids);
        Words language = Words.in(property.language());
        Map<Long, Estimate> estimates = new HashMap<>();
        for (FieldLine text : texts) {
            FindingLife life = lifeOf.get(text.itemId());
            if (life == null) continue;
            List<Check> mended = mended(life, field, deliveredBefore.getOrDefault(text.itemId(), 0L));
            ItemDemand reported = demand.get(text.itemId());
            String title = field == Field.TITLE ? text.captured() : "";
            estimates.put(
                    text.itemId(),
                    new Estimate(
                            mended.stream().map(Check::id).toList(),
                            reported == null ? null : won(model.get(), life, mended, reported, title, language)));
        }
        return estimates;
    }

    private static List<Check> mended(FindingLife life, Field field, long after) {
        return life.ended().entrySet().stream()
                .filter(each -> each.getValue().byDraft() && each.getValue().moment() > after)
                .map(each -> Checks.find(each.getKey()))
                .filter(check -> check != null && check.field() == field)
                .toList();
    }

    /** The parts that the mended findings had of what was at stake with the item while it had them. */
    private static Stake won(
            StakeModel model, FindingLife life, List<Check> mended, ItemDemand demand, String title, Words language) {
        List<Check> before = new ArrayList<>(mended);
        Stream<Check> left = life.open().stream().map(Checks::find).filter(Objects::nonNull);
        left.forEach(before::add);
        return model.of(before, demand, title, language).stream()
                .limit(mended.size())
                .reduce(Stake.NONE, Stake::plus);
    }
}
