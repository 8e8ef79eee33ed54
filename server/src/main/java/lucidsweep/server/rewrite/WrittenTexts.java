package lucidsweep.server.rewrite;

import java.util.Map;
import lucidsweep.core.item.Field;

/** Texts that were written for items elsewhere, and may become drafts. */
public interface WrittenTexts {

    /**
     * Those that may be used of some items; items without any are left out.
     *
     * @param column the name of the column that they stand in
     * @param field that they are for
     */
    Map<Long, String> of(long propertyId, String column, Field field, long[] ids);
}
