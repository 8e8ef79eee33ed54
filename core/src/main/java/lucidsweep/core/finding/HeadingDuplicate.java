package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** The same H1 on several indexable pages. */
final class HeadingDuplicate extends CapturedCheck {

    HeadingDuplicate() {
        super(Field.H1, "duplicate", "duplicate");
    }

    @Override
    Sentence sentence() {
        return Sentence.of(field(), "stands on another page, too", "are used on several pages");
    }
}
