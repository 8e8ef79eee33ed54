package lucidsweep.server.watch.effect;

import lucidsweep.core.effect.Effect;

/**
 * What a change brought.
 *
 * @param kind release, field, set, section or batch
 * @param id which one
 * @param live since when the first of its texts has been live, as "2026-11-25"; "" where none is
 * @param texts how many are live
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
        boolean oneOfSeveral,
        String words) {}
