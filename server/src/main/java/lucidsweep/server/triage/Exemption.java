package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import lucidsweep.core.item.Field;

/**
 * A check that an item need not pass.
 *
 * @param checkCode of the check: "too-long"
 * @param untilDay when its finding comes back; null for never
 * @param cameBack whether it did, so that somebody looks again
 */
record Exemption(
        long itemId,
        Field field,
        String checkCode,
        String reason,
        @Nullable LocalDate untilDay,
        Instant added,
        boolean cameBack) {}
