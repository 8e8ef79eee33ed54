package lucidsweep.server.watch.effect;

import jakarta.annotation.Nullable;
import lucidsweep.core.effect.Effect;
import lucidsweep.core.finding.Stake;

/**
 * What a change brought.
 *
 * @param kind release, field, check, set, section or batch
 * @param id which one
 * @param live since when the first of its texts has been live, as "2026-11-25"; "" where none is
 * @param texts how many are live
 * @param estimated the clicks a month that were estimated, before they were delivered, of the items that can be told; null
 *     where nothing was
 * @param oneOfSeveral it stands out by itself, but of as many at once such a difference is to be expected by chance
 * @param words what may be said of it, in words
 */
public record EffectRow(
        String kind,
        String id,
        String name,
        String live,
        int texts,
        Effect effect,
        @Nullable Stake estimated,
        boolean oneOfSeveral,
        String words) {

    /** Whether anything can be told of it yet. */
    boolean isTold() {
        return !effect.weeks().isEmpty();
    }

    /** The same where such a difference is to be expected of one of so many at once. */
    EffectRow asOneOfSeveral() {
        return new EffectRow(kind, id, name, live, texts, effect, estimated, true, effect.words(true));
    }
}
