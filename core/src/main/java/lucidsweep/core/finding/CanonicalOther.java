package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** A page whose canonical is a page of another title and another H1: it gives way to something else than itself. */
final class CanonicalOther extends CapturedCheck {

    CanonicalOther() {
        super(Field.INDEXING, "canonical-other", "canonical is a different page");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("gives way to a different page", "give way to different pages");
    }
}
