package lucidsweep.server.item.table;

import java.util.List;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.core.set.Trait;

/**
 * Which items of a property are meant; every part that is null or empty does not narrow.
 *
 * @param q a text that the address, title, description or tags hold
 * @param section the folder or shop section
 * @param field with check: items with such a finding; with state: where such a draft is
 * @param check the code of the check that found it, or any
 * @param shared what the findings share, such as an ending
 * @param state the state of a draft: drafted, approved, sent-back, delivered, live, or any
 * @param target with, without, or a keyword's id
 * @param indexable yes or no
 * @param set the id of a set that they belong to
 * @param life when the findings meant came
 * @param having what else they have in common
 * @param ids exactly these
 */
public record ItemFilter(
        String q,
        String section,
        Field field,
        String check,
        String shared,
        String state,
        String target,
        String indexable,
        Long set,
        LifeFilter life,
        Trait having,
        List<Long> ids) {

    /** As a state: any draft; as a check: any but that of not being indexable. */
    static final String ANY = "any";

    /** Everything. */
    public static final ItemFilter ALL =
            new ItemFilter(null, null, null, null, null, null, null, null, null, null, null, null);

    public static ItemFilter ofState(DraftState state) {
        return new ItemFilter(null, null, null, null, null, state.code(), null, null, null, null, null, null);
    }

    /** Those with a draft, in whatever state. */
    public static ItemFilter ofAnyDraft() {
        return new ItemFilter(null, null, null, null, null, ANY, null, null, null, null, null, null);
    }

    public static ItemFilter ofSet(long setId) {
        return new ItemFilter(null, null, null, null, null, null, null, null, setId, null, null, null);
    }

    public static ItemFilter ofIds(List<Long> ids) {
        return new ItemFilter(null, null, null, null, null, null, null, null, null, null, null, ids);
    }
}
