package lucidsweep.core.edit;

/** Adds a text to the start; not where it stands already. */
public record AddToStart(String addition) implements BulkEdit {

    @Override
    public String apply(String text) {
        return text.startsWith(addition) ? text : addition + text;
    }
}
