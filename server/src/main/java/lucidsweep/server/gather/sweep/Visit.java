package lucidsweep.server.gather.sweep;

import jakarta.annotation.Nullable;

/**
 * An address of a sweep and what became of it.
 *
 * @param asked the path and query to ask for, as the link wrote them; null where they are those of the address
 * @param outcome a code of {@link Outcome}
 */
public record Visit(
        long id,
        String address,
        @Nullable String asked,
        int depth,
        String foundOn,
        String outcome,
        String detail,
        int status,
        String redirectTo,
        int millis,
        long bytes,
        @Nullable Long itemId) {}
