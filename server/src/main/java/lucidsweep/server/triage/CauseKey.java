package lucidsweep.server.triage;

import jakarta.annotation.Nullable;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import lucidsweep.core.finding.Cause;
import lucidsweep.core.item.Field;

/**
 * What tells a cause from all others of a property, sweep for sweep.
 *
 * @param check the code of its check
 * @param shared what its items share; "" for nothing
 * @param section where they are; "" for anywhere
 * @param trait what else they have in common, as a filter has it; "" or null for nothing
 */
record CauseKey(
        @NotNull Field field,
        @NotNull String check,
        @NotNull @Size(max = 2_000) String shared,
        @NotNull @Size(max = 300) String section,
        @Nullable @Size(max = 2_010) String trait) {

    CauseKey {
        if (trait == null) trait = "";
    }

    static CauseKey of(Cause cause) {
        return new CauseKey(
                cause.check().field(), cause.check().code(), cause.shared(), cause.section(), cause.having());
    }
}
