package lucidsweep.core.finding;

import java.util.Locale;

/** What can be wrong; as a word in files: "too-long". */
public enum FindingKind {
    MISSING("missing"),
    EMPTY("empty"),
    SEVERAL("more than one"),
    DUPLICATE("duplicate"),
    TOO_LONG("too long"),
    TOO_SHORT("too short"),
    OFF_KEYWORD("keyword missing"),
    KEYWORD_LATE("keyword late"),
    GENERIC("generic"),
    REPEATED_WORD("repeated word"),
    COMMON_ENDING("common ending"),
    TOO_MANY("too many"),
    ONE_WORD("one-word tag"),
    SAME_TWICE("the same tag twice"),
    BUDGET_UNUSED("left unused"),
    NOT_INDEXABLE("not indexable");

    private final String label;

    FindingKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    public String code() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    @Override
    public String toString() {
        return code();
    }
}
