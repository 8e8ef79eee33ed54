package lucidsweep.core.item;

import java.util.Arrays;
import java.util.Locale;

/** A text of an item that can be wrong. */
public enum Field {
    TITLE("title", 1.0),
    DESCRIPTION("description", 0.5),
    TAGS("tags", 0.4),
    H1("H1", 0.3),
    SLUG("slug", 0.1),
    IMAGES("alt text", 0.1),
    LINKS("link text", 0.1),
    HEAD("page head", 0.05),
    OG_TITLE("Open Graph title", 0.05),
    OG_DESCRIPTION("Open Graph description", 0.05),
    INDEXING("indexing", 0);

    private final String label;
    private final String code = name().toLowerCase(Locale.ROOT).replace('_', '-');
    private final double weight;

    Field(String label, double weight) {
        this.label = label;
        this.weight = weight;
    }

    /** As it is called in a sentence. */
    public String label() {
        return label;
    }

    /** What a finding in this field weighs against one in the title: titles move ranking, descriptions move clicks. */
    public double weight() {
        return weight;
    }

    /** As it stands in files and addresses: "title", "h1". */
    public String code() {
        return code;
    }

    /** Reads a code; an unknown one is an error that lists the known. */
    public static Field of(String code) {
        for (Field field : values()) if (field.code.equals(code)) return field;
        throw new IllegalArgumentException("expected one of " + Arrays.toString(values()) + ", got \"" + code + "\"");
    }

    @Override
    public String toString() {
        return code();
    }
}
