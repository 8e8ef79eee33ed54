package lucidsweep.core.compose;

import java.util.Map;

/** An item of which only texts are known. */
record KnownTexts(long id, Map<Source.Kind, String> texts) implements ItemSources {

    static ItemSources of(Map<Source.Kind, String> texts) {
        return new KnownTexts(texts.hashCode(), texts);
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
}
