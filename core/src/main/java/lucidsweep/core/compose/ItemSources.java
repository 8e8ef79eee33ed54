package lucidsweep.core.compose;

/** What a recipe may take of one item. */
public interface ItemSources {

    /** The item's id, by which one of several wordings is chosen and stays with it. */
    long id();

    /** The text of a source other than a fixed one; "" where the item has none. */
    String text(Source source);

    /** Whether a condition holds, whatever it says of "not". */
    boolean holds(Condition.What what, String value);
}
