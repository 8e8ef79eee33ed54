package lucidsweep.standins;

import java.util.ArrayList;
import java.util.List;

/** A page of the demo website while it is made; faults are planted by changing it. */
public final class SitePage {

    final String path;
    final String section;
    final String name;
    final List<String> titles = new ArrayList<>();
    final List<String> descriptions = new ArrayList<>();
    final List<String> h1s = new ArrayList<>();
    final List<String> paragraphs = new ArrayList<>();
    String robots = "";
    String robotsHeader = "";
    String canonical = "";
    String published = "";
    String modified = "";
    boolean inSitemapOnly;

    /** More that stands in the head, and at the end of the copy, as HTML. */
    String head = "";

    String more = "";

    SitePage(String path, String section, String name, String title, String description, List<String> paragraphs) {
        this.path = path;
        this.section = section;
        this.name = name;
        titles.add(title);
        descriptions.add(description);
        h1s.add(name);
        this.paragraphs.addAll(paragraphs);
    }

    /** The same page, to be changed by itself. */
    SitePage copy() {
        SitePage copy = new SitePage(path, section, name, "", "", paragraphs);
        replace(copy.titles, titles);
        replace(copy.descriptions, descriptions);
        replace(copy.h1s, h1s);
        copy.robots = robots;
        copy.robotsHeader = robotsHeader;
        copy.canonical = canonical;
        copy.published = published;
        copy.modified = modified;
        copy.inSitemapOnly = inSitemapOnly;
        copy.head = head;
        copy.more = more;
        return copy;
    }

    private static void replace(List<String> texts, List<String> others) {
        texts.clear();
        texts.addAll(others);
    }

    public String path() {
        return path;
    }

    public List<String> titles() {
        return titles;
    }

    public List<String> descriptions() {
        return descriptions;
    }

    public List<String> h1s() {
        return h1s;
    }

    /** What stands in its head besides titles and descriptions, as HTML. */
    public String head() {
        return head;
    }
}
