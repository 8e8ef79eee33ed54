package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/**
 * One thing wrong with one field of one item.
 *
 * @param evidence what was seen, in words
 * @param shared what findings of the same cause have in common, such as an ending; "" where nothing special
 */
public record Finding(Check check, String evidence, String shared) {

    public Field field() {
        return check.field();
    }
}
