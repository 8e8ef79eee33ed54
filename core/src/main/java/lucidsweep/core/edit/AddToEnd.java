package lucidsweep.core.edit;

/** Adds a text to the end; not where it stands already. */
public record AddToEnd(String addition) implements BulkEdit {

    @Override
    public String apply(String text) {
        return text.endsWith(addition) ? text : text + addition;
    }
}
