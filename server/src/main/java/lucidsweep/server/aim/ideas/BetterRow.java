package lucidsweep.server.aim.ideas;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import lucidsweep.server.aim.targets.Worth;

/**
 * A query that is worth far more than what an item aims at.
 *
 * @param aimed what it aims at
 * @param youngUntil the day until which it is too early to say; "" where it is not
 * @param reason in words
 */
public record BetterRow(
        long id,
        long itemId,
        String address,
        String query,
        String aimed,
        @JsonUnwrapped Worth worth,
        String youngUntil,
        String reason) {}
