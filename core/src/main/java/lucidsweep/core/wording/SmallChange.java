package lucidsweep.core.wording;

/**
 * A small change of a text that reaches more.
 *
 * @param text as it would be
 * @param says what was changed: "“rental” instead of “hire”"
 * @param gained how many searches a month it covers more
 */
public record SmallChange(String text, String says, double gained) {}
