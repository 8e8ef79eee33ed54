package lucidsweep.core.writer;

import java.util.Locale;

/** What a column of the writer may be told of an item. */
public enum Input {
    ADDRESS("address"),
    TITLE("title"),
    DESCRIPTION("description"),
    H1("H1"),
    COPY("copy"),
    TAGS("tags"),
    PRICE("price"),
    KEYWORD("keyword"),
    SECONDARY("secondary keywords"),
    INTENT("intent"),
    PLACE("place"),
    BRAND("brand"),

    /** Their addresses, a line each. */
    IMAGES("images without alt text");

    private final String label;

    Input(String label) {
        this.label = label;
    }

    /** As it is called in a request. */
    public String label() {
        return label;
    }

    /** As it stands in the database and the API: "copy". */
    public String code() {
        return name().toLowerCase(Locale.ROOT);
    }
}
