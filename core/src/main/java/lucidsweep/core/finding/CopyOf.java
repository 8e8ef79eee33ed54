package lucidsweep.core.finding;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Kinship;

/** Why the text of an item is a copy of another's, where their addresses say so; each kind is one cause with its own fix. */
enum CopyOf {
    TRANSLATION("those of the same pages in other languages", Fix.TRANSLATE),
    VARIANT("those of the same addresses in another spelling or with other parameters", Fix.JOIN),
    SERIES("those of pages whose addresses differ in a number only, such as parts of a series", Fix.RECIPE),
    SAME_SLUG("those of pages with the same slug in other folders", Fix.RECIPE);

    /** No text that is compared begins like this. */
    private static final String MARK = ":";

    private final String what;
    private final Fix fix;

    CopyOf(String what, Fix fix) {
        this.what = what;
        this.fix = fix;
    }

    static Optional<CopyOf> of(String address, String twin) {
        Kinship kinship = Kinship.of(address, twin);
        return kinship == Kinship.NONE ? Optional.empty() : Optional.of(valueOf(kinship.name()));
    }

    /** The kind that findings share; empty where they share a text. */
    static Optional<CopyOf> ofShared(String shared) {
        return Arrays.stream(values())
                .filter(copy -> copy.shared().equals(shared))
                .findFirst();
    }

    /** What findings of this kind share: ":same-slug". */
    String shared() {
        return MARK + name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    String says(int items, Field field) {
        return Sentence.number(items) + " " + field.label() + (items == 1 ? " repeats " : "s repeat ") + what + ".";
    }

    Fix fix() {
        return fix;
    }
}
