package lucidsweep.core.alike;

/**
 * Texts that are told apart by a place, a number or a name only.
 *
 * @param pattern what they have in common: "Sea cave tour at …"
 * @param texts how many different ones there are
 */
public record Series(String pattern, int texts) {}
