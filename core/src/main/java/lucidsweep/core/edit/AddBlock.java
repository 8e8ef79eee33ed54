package lucidsweep.core.edit;

/** Adds a block to the end, with a blank line between; not where it stands there already. */
public record AddBlock(String block) implements BulkEdit {

    static final String BETWEEN = "\n\n";

    @Override
    public String apply(String text) {
        if (text.isBlank()) return block;
        return text.stripTrailing().endsWith(block.stripTrailing()) ? text : text.stripTrailing() + BETWEEN + block;
    }
}
