package lucidsweep.core.compose;

/**
 * What has to hold of an item for a part to be used.
 *
 * @param what is asked
 * @param value what it is held against, such as an intent, a price, a language or the name of a set; "" where nothing
 * @param not whether it must not hold
 */
public record Condition(What what, String value, boolean not) {

    /** What can be asked of an item. */
    public enum What {
        HAS_KEYWORD,
        HAS_PLACE,
        INTENT,
        PRICE_UNDER,
        LANGUAGE,
        IN_SET
    }
}
