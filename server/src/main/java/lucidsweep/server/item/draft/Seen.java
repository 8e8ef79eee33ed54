package lucidsweep.server.item.draft;

/**
 * What a sweep saw of an item besides its fields.
 *
 * @param h1Count how many H1s it has; -1 where it has none by nature
 * @param opening the first words of its copy
 * @param language as the page says it; "" where it does not
 * @param published the day it was published; "" where that is not known
 */
public record Seen(String h1, int h1Count, String opening, String language, String price, String published) {}
