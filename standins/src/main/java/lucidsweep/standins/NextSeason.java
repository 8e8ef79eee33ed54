package lucidsweep.standins;

import java.util.List;

/** What the client's own people changed on the website between two seasons, without telling their consultant. */
final class NextSeason {

    private final List<String> journal;

    NextSeason(DemoSite site) {
        journal = site.pages().keySet().stream()
                .filter(path -> path.startsWith("/journal/") && path.length() > "/journal/".length())
                .sorted()
                .toList();
    }

    boolean isGone(String path) {
        return path.equals(journal.get(0));
    }

    /** Where a page moved; null where it stayed. */
    String movedTo(String path) {
        return path.equals(journal.get(1)) ? journal.get(2) : null;
    }

    /** A page in the words of the new season. */
    String html(String path, String html) {
        if (path.startsWith("/tours/"))
            return html.replace("Sunset tour", "Sunset paddle").replace("sunset tour", "sunset paddle");
        if (path.startsWith("/lessons/")) return html.replace("<title>", "<title>New: ");
        return html;
    }
}
