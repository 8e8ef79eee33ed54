package lucidsweep.server.item.table;

import java.util.List;
import lucidsweep.core.item.Field;

/**
 * An indexable item with what was found of it.
 *
 * @param drafted whether its title or description has a draft, so that its findings are not of the texts that searchers see
 * @param findings those with the same content are the same list
 */
public record FoundItem(long id, String section, boolean drafted, List<Mark> findings) {

    /** A finding without its evidence. */
    public record Mark(Field field, String check, String shared) {}
}
