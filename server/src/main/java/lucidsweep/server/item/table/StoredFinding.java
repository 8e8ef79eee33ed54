package lucidsweep.server.item.table;

/**
 * What is wrong with an item, as it is stored.
 *
 * @param field a code such as title
 * @param kind a code such as too-long
 * @param evidence in words
 * @param shared what findings of the same cause have in common; "" where nothing special
 */
public record StoredFinding(String field, String kind, String evidence, String shared) {

    /** Pages that are not indexable have this one; the others they have are set apart, not counted. */
    static final String NOT_INDEXABLE = "not-indexable";
}
