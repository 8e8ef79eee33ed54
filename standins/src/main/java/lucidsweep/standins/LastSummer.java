package lucidsweep.standins;

import java.time.LocalDate;

/** What the demo's website and shop said in summer, as files that somebody exported then: the demo has a past to compare with. */
final class LastSummer {

    static final LocalDate DAY = LocalDate.of(2026, 7, 14);

    private static final int NEW_LISTINGS = 12;

    private LastSummer() {}

    /** The pages of July: without the newest ones, with the old wording of some, and with a few that are gone now. */
    static String pages(DemoSite site, java.net.URI website) {
        StringBuilder csv = new StringBuilder("Address,Title,Meta description,H1\r\n");
        for (SitePage page : site.pages().values()) {
            if (Newcomers.isOne(page.path) || !page.robots.isEmpty()) continue;
            String title = page.titles.isEmpty() ? "" : page.titles.get(0);
            String description = page.descriptions.isEmpty() ? "" : page.descriptions.get(0);
            if (page.section.equals("lessons")) title = title.replace("Kayak", "Canoe and kayak");
            if (page.section.equals("tours")) description = description.replace("two hours", "three hours");
            row(csv, website.resolve(page.path).toString(), title, description, page.name);
        }
        for (String gone : new String[] {"regatta", "barbecue-paddle", "members-evening", "boat-jumble"}) {
            row(csv, website.resolve("/events/" + gone + "/").toString(), "Summer " + gone.replace('-', ' '), "", gone);
        }
        return csv.toString();
    }

    /** The listings of July: the newest are missing, and prices stood in some titles. */
    static String listings() {
        StringBuilder csv = new StringBuilder();
        int number = 0;
        for (String line : new ShopListings(7).csv().split("\r\n")) {
            if (number++ > ShopListings.COUNT - NEW_LISTINGS) break;
            csv.append(number % 9 == 0 ? line.replaceFirst(", small,", ", small, our best seller,") : line)
                    .append("\r\n");
        }
        return csv.toString();
    }

    private static void row(StringBuilder csv, String... cells) {
        for (int i = 0; i < cells.length; i++) {
            csv.append(i == 0 ? "" : ",")
                    .append('"')
                    .append(cells[i].replace("\"", "\"\""))
                    .append('"');
        }
        csv.append("\r\n");
    }
}
