package lucidsweep.server.gather.sweep;

/**
 * An address of a sweep and what became of it.
 *
 * @param outcome a code of {@link Outcome}
 */
public record Visit(
        long id,
        String address,
        int depth,
        String foundOn,
        String outcome,
        String detail,
        int status,
        String redirectTo,
        int millis,
        long bytes,
        Long itemId) {}
