package lucidsweep.server.web;

import lucidsweep.core.item.Field;

/**
 * A text that was changed since the person who wants to change it looked.
 *
 * @param seen the text that was in force then; null where that is not known here
 * @param now the text in force
 * @param wanted the text that it was to become; null for a decision
 */
public record Conflict(long itemId, String address, Field field, String seen, String now, String wanted) {

    /** The same with the address of its item. */
    public Conflict at(String itemAddress) {
        return new Conflict(itemId, itemAddress, field, seen, now, wanted);
    }
}
