package lucidsweep.server.aim.targets;

/**
 * An item that a keyword could live with.
 *
 * @param score how well they fit, 0 to 1
 */
public record PossibleHome(long itemId, String address, double score, String reason) {}
