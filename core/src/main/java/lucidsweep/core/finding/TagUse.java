package lucidsweep.core.finding;

import java.util.Set;

/**
 * What is known of the tags of a property, each as {@code TextKey.key} gives it.
 *
 * @param everywhere those on nearly every item
 * @param unsearched those that nobody searches for; empty where no searches are known
 */
public record TagUse(Set<String> everywhere, Set<String> unsearched) {

    public static final TagUse UNKNOWN = new TagUse(Set.of(), Set.of());
}
