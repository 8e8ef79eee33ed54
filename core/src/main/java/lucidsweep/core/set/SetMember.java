package lucidsweep.core.set;

import java.util.List;
import lucidsweep.core.item.Field;

/** An item as sets see it. */
public interface SetMember {

    /** A day or price that is not known. */
    double UNKNOWN = Double.NaN;

    long id();

    /** In small letters. */
    String address();

    /** Its folder or shop section; "" where it is in none. */
    String section();

    /** As its markup says it: "de-AT"; "" where it does not. */
    String language();

    /** In small letters, separated by commas; "" where it has none. */
    String tags();

    /** The keyword it aims at; "" where it has none. */
    String keyword();

    double price();

    /** The day on which it was published, in days since 1 January 1970. */
    double publishedDay();

    /** The day on which it was changed last, as it says itself. */
    double changedDay();

    /** What its title has in common with others: "… | Hire". */
    List<String> titlePatterns();

    boolean indexable();

    /** Whether a check found something of it. */
    boolean hasFinding(Field field, String check);
}
