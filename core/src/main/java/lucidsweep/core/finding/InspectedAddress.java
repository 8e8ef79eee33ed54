package lucidsweep.core.finding;

import lucidsweep.core.page.Slug;

/**
 * An address as the checks see it.
 *
 * @param text the whole of it; the id of an item that has none
 * @param slug the last part of its path
 */
public record InspectedAddress(String text, Slug slug) {

    public static InspectedAddress of(String text) {
        return new InspectedAddress(text, Slug.of(text));
    }
}
