package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** A page that answers at several addresses: links to it are shared out among them. */
final class SlugOfSeveral extends CapturedCheck {

    SlugOfSeveral() {
        super(Field.SLUG, "several", "more than one address");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems("answers at more than one address", "answer at more than one address");
    }
}
