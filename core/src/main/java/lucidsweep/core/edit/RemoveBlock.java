package lucidsweep.core.edit;

/** Takes a block at the end away again, and the blank line before it. */
public record RemoveBlock(String block) implements BulkEdit {

    @Override
    public String apply(String text) {
        String whole = text.stripTrailing();
        String last = block.strip();
        if (!whole.endsWith(last)) return text;
        String rest = whole.substring(0, whole.length() - last.length());
        // What only ends in the same words is no block.
        return rest.isEmpty() || rest.endsWith("\n") ? rest.stripTrailing() : text;
    }
}
