package lucidsweep.core.finding;

import lucidsweep.core.item.Field;

/** A page that names another as itself in another language, which does not name it in return: then neither counts. */
final class AlternateWithoutReturn extends CapturedCheck {

    AlternateWithoutReturn() {
        super(Field.HEAD, "no-return", "hreflang without return");
    }

    @Override
    Sentence sentence() {
        return Sentence.ofItems(
                "names pages in other languages that do not name it in return",
                "name pages in other languages that do not name them in return");
    }
}
