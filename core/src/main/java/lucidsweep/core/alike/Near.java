package lucidsweep.core.alike;

/**
 * Another text that is nearly the same.
 *
 * @param id of the item that has it
 * @param likeness the share of their runs of four letters that both have, 0 to 1
 * @param group the text that stands for all that are nearly the same
 */
public record Near(long id, double likeness, String group) {}
