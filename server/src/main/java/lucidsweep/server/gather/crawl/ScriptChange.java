package lucidsweep.server.gather.crawl;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.page.PageFacts;

/**
 * A field that a page's scripts change.
 *
 * @param delivered what it is in the page as it was delivered
 * @param built what it became
 */
record ScriptChange(String field, String delivered, String built) {

    private static final int LONGEST = 1_000;

    /** The fields that differ between a page as delivered and as built; of copy and links, how much there is. */
    static List<ScriptChange> between(PageFacts delivered, PageFacts built) {
        List<ScriptChange> changes = new ArrayList<>();
        if (delivered == built) return changes;
        add(changes, "title", first(delivered.titles()), first(built.titles()));
        add(changes, "description", first(delivered.descriptions()), first(built.descriptions()));
        add(changes, "h1", first(delivered.h1s()), first(built.h1s()));
        add(changes, "canonical", delivered.head().canonical(), built.head().canonical());
        add(changes, "robots", delivered.head().robots(), built.head().robots());
        add(changes, "words", words(delivered), words(built));
        add(changes, "links", size(delivered), size(built));
        return changes;
    }

    private static void add(List<ScriptChange> changes, String field, String delivered, String built) {
        if (!delivered.equals(built)) changes.add(new ScriptChange(field, clip(delivered), clip(built)));
    }

    private static String first(List<String> texts) {
        return texts.isEmpty() ? "" : texts.get(0);
    }

    private static String words(PageFacts page) {
        return page.copy().isEmpty() ? "0" : String.valueOf(page.copy().split(" ").length);
    }

    private static String size(PageFacts page) {
        return String.valueOf(page.links().size());
    }

    private static String clip(String text) {
        return text.length() <= LONGEST ? text : text.substring(0, LONGEST);
    }
}
