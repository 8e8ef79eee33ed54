package lucidsweep.core.compose;

import java.util.Map;

/** What a recipe may take of one item. */
public interface ItemSources {

    /** The item's id, by which one of several wordings is chosen and stays with it. */
    long id();

    /** The text of a source other than a fixed one; "" where the item has none. */
    String text(Source source);

    /** Whether a condition holds, whatever it says of "not". */
    boolean holds(Condition.What what, String value);

    /** An item of which only texts are known. */
    static ItemSources of(Map<Source.Kind, String> texts) {
        return new ItemSources() {
            @Override
            public long id() {
                return texts.hashCode();
            }

            @Override
            public String text(Source source) {
                return texts.getOrDefault(source.kind(), "");
            }

            @Override
            public boolean holds(Condition.What what, String value) {
                return switch (what) {
                    case HAS_KEYWORD -> texts.containsKey(Source.Kind.KEYWORD);
                    case HAS_PLACE -> texts.containsKey(Source.Kind.PLACE);
                    default -> false;
                };
            }
        };
    }
}
