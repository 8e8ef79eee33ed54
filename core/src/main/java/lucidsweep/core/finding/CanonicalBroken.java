package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** A page that names another as the one to be listed, which cannot be listed itself: then neither is. */
final class CanonicalBroken extends CapturedCheck {

    CanonicalBroken() {
        super(Field.INDEXING, "canonical-broken", "canonical leads nowhere");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "has a canonical that cannot be listed either", "have canonicals that cannot be listed either");
    }
}
