package lucidsweep.core.finding;

import java.util.Objects;
import java.util.function.Consumer;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;

/**
 * One rule that a field of an item is held to. A check is a small class of its own that says all there is to say of the rule;
 * {@link Checks} has them all.
 *
 * <pre>{@code
 * final class AllCapitals extends TextCheck {
 *     AllCapitals(Field field) {
 *         super(field, "all-capitals", "all capitals", Cost.APPEAL, Fix.BULK_EDIT);
 *     }
 *     …
 * }
 * }</pre>
 */
public abstract class Check {

    private final Field field;
    private final String code;
    private final String id;
    private final String label;
    private final Cost cost;
    private final Fix fix;

    /** What a fault costs first. */
    public enum Cost {
        /** How often a result that is shown is clicked. */
        APPEAL,
        /** How high the item stands. */
        REACH,
        /** Neither can be told from demand. */
        NEITHER
    }

    /**
     * Makes a check.
     *
     * @param code its name in files and addresses, one for each field: "too-long"
     * @param label the same as it is said, after the field's name: "too long"
     */
    Check(Field field, String code, String label, Cost cost, Fix fix) {
        this.field = field;
        this.code = code;
        id = id(field, code);
        this.label = label;
        this.cost = cost;
        this.fix = fix;
    }

    public final Field field() {
        return field;
    }

    public final String code() {
        return code;
    }

    public final String label() {
        return label;
    }

    public final Cost cost() {
        return cost;
    }

    public final Fix fix() {
        return fix;
    }

    /** Its name among all checks: "title too-long". */
    public final String id() {
        return id;
    }

    /** The name among all checks of one with a code: "title too-long". */
    public static String id(Field field, String code) {
        return field.code() + " " + code;
    }

    /** Whether findings of it are one cause where they share something, such as an ending; else where they share a section. */
    public boolean isShared() {
        return false;
    }

    /** Whether it is about items that are not indexable; of those, what others find is set apart. */
    public final boolean isOfHidden() {
        return field == Field.INDEXING;
    }

    /** Whether what it finds counts; that an item is not indexable is said apart from what is wrong. */
    public final boolean counts(boolean indexable) {
        return !code.equals(NotIndexable.CODE) && indexable != isOfHidden();
    }

    /** Whether it says something only of items that have tags by nature. */
    public boolean needsTags() {
        return field == Field.TAGS;
    }

    /** The limit that a standard sets, in words; "" where there is none. */
    public String limit(Standard standard) {
        return "";
    }

    /** What is found, as a sentence without its subject: "are cut off on result pages". */
    abstract Sentence sentence();

    /**
     * Says how many items have it.
     *
     * <pre>{@code says(2_123, " in /tours/")   // "2,123 titles in /tours/ are cut off on result pages." }</pre>
     */
    public final String says(int items, String where) {
        return sentence().of(items, where);
    }

    /**
     * Says that the findings of so many items share something.
     *
     * @param shared what, as findings have it
     * @param example the text of one of them
     */
    String saysShared(int items, String shared, String example) {
        return Sentence.number(items) + " items share one " + field.label() + ": “" + example + "”.";
    }

    /** The action that fixes findings that share something. */
    Fix fix(String shared) {
        return fix;
    }

    /** Looks at an item that is indexable or not, and reports at most one finding. */
    abstract void look(InspectedItem item, InspectionContext around, Consumer<Finding> found);

    final Finding finding(String evidence) {
        return new Finding(this, evidence, "");
    }

    @Override
    public final boolean equals(Object other) {
        return other instanceof Check check && check.field == field && check.code.equals(code);
    }

    @Override
    public final int hashCode() {
        return Objects.hash(field, code);
    }

    @Override
    public final String toString() {
        return id();
    }
}
