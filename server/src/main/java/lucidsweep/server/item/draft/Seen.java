package lucidsweep.server.item.draft;

/**
 * What a sweep saw of an item besides its fields.
 *
 * @param h1Count how many H1s it has; -1 where it has none by nature
 * @param opening the first words of its copy
 * @param published the day it was published; "" where that is not known
 */
public record Seen(String h1, int h1Count, String opening, String price, String published) {}
