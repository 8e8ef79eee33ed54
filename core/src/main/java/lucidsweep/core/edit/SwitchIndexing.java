package lucidsweep.core.edit;

/** Sets the indexing switch of every page. */
public final class SwitchIndexing implements BulkEdit {

    private final String to;

    /** @param to "index" or "noindex" */
    public SwitchIndexing(String to) {
        if (!to.equals("index") && !to.equals("noindex")) {
            throw new IllegalArgumentException("expected index or noindex, got \"" + to + "\"");
        }
        this.to = to;
    }

    @Override
    public String apply(String text) {
        return to;
    }
}
