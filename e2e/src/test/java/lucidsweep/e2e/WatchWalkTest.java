package lucidsweep.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

/** From a release with a tenth held back, over a quarter of a year on, to what it brought, what moved and what is due. */
class WatchWalkTest extends Walk {

    private static final String ENDING = " | Tarrin Bay Kayaks: hire, tours and lessons";
    private static final String SWEEP = "{\"maxPages\":2000,\"maxDepth\":12,\"connections\":4,\"delayMs\":0}";
    private static final Pattern SAID =
            Pattern.compile("([+-]\\d+)% clicks \\(([+-]\\d+) to ([+-]\\d+)%\\), \\d+ items against \\d+");

    /** The interval misses the truth once in twenty days. */
    private static final double MARGIN = 0.15;

    private String property;

    @Test
    void fromAReleaseToWhatItBrought() {
        property = property("Fennick Sails", "Tarrin Bay Kayaks", SWEEP);
        fetchDemand();
        String tours = get("/items/ids?section=%2Ftours%2F&field=title&check=common-ending");
        String half = everyOther(tours);
        post(
                "/batches",
                "{\"selection\":{\"ids\":" + half
                        + "},\"spec\":{\"tool\":\"remove-ending\",\"field\":\"title\",\"find\":\"" + ENDING + "\"}}");
        post("/decisions", "{\"selection\":{\"ids\":" + half + "},\"state\":\"approved\"}");
        put("/content-system", """
                {"kind":"API","address":"%scontent","user":"editor","secret":"high-water","hasSecret":false,
                 "privateAllowed":true,"parallel":4,"pauseMs":0,"template":null}""".formatted(website));

        page.navigate(address + "/p/" + property + "/release");
        page.getByLabel("Deliver as").selectOption("push");
        page.getByText("Name and reason").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Shorter titles");
        page.getByLabel("Hold a tenth back").check();
        button("Put into a release").click();
        Locator release = dialog("Shorter titles");
        release.getByText(Pattern.compile("^Push all|^Push \\d+")).first().click();
        assertThat(release.getByLabel("Texts by state")).containsText(Pattern.compile("3\\d pushed"));
        page.keyboard().press("Escape");
        assertThat(page.getByText("3 items held back: let go")).isVisible();
        ended(post("/sweeps", SWEEP));

        page.navigate(address + "/p/" + property + "/watch?view=effects");
        assertThat(page.getByText(Pattern.compile("^Too early"))).isVisible();
        assertThat(page.request().post(website + "search/clock?days=98").status())
                .isEqualTo(200);
        fetchDemand();
        importResults();

        page.reload();
        Locator said = page.getByText(SAID);
        assertThat(said).isVisible();
        Matcher figures = SAID.matcher(said.innerText());
        assertThat(figures.find()).isTrue();
        double truth = truth();
        assertThat(truth).as("what the market knows").isBetween(0.2, 0.35);
        assertThat(share(figures.group(2))).as(figures.group()).isLessThan(truth + MARGIN);
        assertThat(share(figures.group(3))).as(figures.group()).isGreaterThan(truth - MARGIN);

        assertThat(page.getByRole(AriaRole.ROW)
                        .filter(new Locator.FilterOptions().setHasText("estimated before it was delivered")))
                .isVisible();
        page.getByLabel("What was changed").getByText("Title too long").click();
        assertThat(page.getByRole(AriaRole.REGION, new Page.GetByRoleOptions().setName("Title too long")))
                .containsText("% clicks");

        view("Sudden moves");
        Locator journal = page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Section /journal/ rose from position"));
        assertThat(journal).isVisible();
        journal.getByText("Set aside").click();
        dialog("Set aside").getByLabel("Why it needs nobody").fill("An update of the search engine");
        dialog("Set aside")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Set aside"))
                .click();
        assertThat(journal).hasCount(0);

        view("Clicks and positions");
        Locator chart =
                page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Clicks by week")));
        chart.focus();
        page.keyboard().press("ArrowLeft");
        assertThat(page.getByText(Pattern.compile("^\\d+ \\w+ 20\\d\\d: All: .*clicks · last year: ")))
                .isVisible();
        page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("Compare with"))
                .fill("Section /tours/");
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("Section /tours/"))
                .click();
        assertThat(page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText("/tours/")))
                .isVisible();
        page.getByLabel("What happened").fill("New prices");
        button("Add note").click();
        assertThat(page.getByText(Pattern.compile(": New prices"))).isVisible();

        view("Wording shown");
        assertThat(page.getByText(Pattern.compile("show our wording"))).isVisible();

        view("Due");
        Locator held = page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("Let go 3 items that “Shorter titles” held back"));
        assertThat(held).hasAttribute("data-due", "true");
        held.getByText("Done").click();
        assertThat(held).hasCount(0);

        page.navigate(address + "/");
        assertThat(page.getByRole(AriaRole.IMG, new Page.GetByRoleOptions().setName(Pattern.compile("^Clicks by week")))
                        .last())
                .isVisible();
        Locator client = page.locator("section")
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByRole(
                                AriaRole.HEADING, new Page.GetByRoleOptions().setName("Fennick Sails"))));
        client.getByText("Send the week").click();
        Locator week = dialog("The week of Fennick Sails");
        week.getByLabel("To").fill("ines@bay.example");
        week.getByLabel("When").selectOption("WEEK");
        week.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Send"))
                .click();
        assertThat(week).hasCount(0);
        assertThat(mail.mails())
                .filteredOn(sent -> sent.contains("Fennick Sails"))
                .singleElement()
                .asString()
                .contains("To: ines@bay.example", "text/html");
        client.getByText("Send the week").click();
        assertThat(week.getByText("Goes to ines@bay.example every week")).isVisible();
        String digest = page.request()
                .get(address + "/api/clients/" + client() + "/digest.html")
                .text();
        assertThat(digest).contains("Shorter titles", "clicks in the last thirteen weeks", "Due now");
        takeBack();
    }

    private void view(String name) {
        page.getByLabel("Views of Watch")
                .getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(Pattern.compile("^" + name)))
                .click();
    }

    private static double share(String percent) {
        return Double.parseDouble(percent) / 100;
    }

    /** By what share the pages in the release are clicked more than they would be; other walks change other pages. */
    private double truth() {
        Set<String> released = Pattern.compile("\"address\":\"https?://[^/]+(/[^\"]*)\"")
                .matcher(page.request()
                        .get(address + "/api/pushes/" + release() + "/lines")
                        .text())
                .results()
                .map(line -> line.group(1))
                .collect(Collectors.toSet());
        Matcher pages = Pattern.compile("\"page\":\"([^\"]+)\",\"clicks\":([\\d.]+),\"without\":([\\d.]+)")
                .matcher(page.request().get(website + "search/changed").text());
        double clicks = 0;
        double without = 0;
        while (pages.find()) {
            if (!released.contains(pages.group(1))) continue;
            clicks += Double.parseDouble(pages.group(2));
            without += Double.parseDouble(pages.group(3));
        }
        return clicks / without - 1;
    }

    private String release() {
        return found("\"id\":(\\d+)", get("/pushes"));
    }

    private static String everyOther(String ids) {
        String[] all = ids.replaceAll("[\\[\\]\\s]", "").split(",");
        List<String> half = new ArrayList<>();
        for (int i = 0; i < all.length; i += 2) half.add(all[i]);
        return half.toString();
    }

    private String client() {
        return found("\"clientId\":(\\d+)", get("/standing"));
    }

    private void fetchDemand() {
        ended(post("/demand/fetch", "{\"address\":\"" + website + "search/demand\"}"));
        // What was fetched is then imported, by a job of its own.
        while (get("/jobs").contains("\"state\":\"running\"")) LockSupport.parkNanos(EVERY_NANOS);
    }

    private void importResults() {
        byte[] lists = page.request().get(website + "files/results.csv").body();
        String plan = page.request()
                .post(
                        address + "/api/properties/" + property + "/imports",
                        RequestOptions.create()
                                .setMultipart(FormData.create()
                                        .set("file", new FilePayload("results.csv", "text/csv", lists))))
                .text();
        assertThat(new String(lists, StandardCharsets.UTF_8)).startsWith("query,position");
        ended(send(
                "POST",
                address + "/api/imports/" + found("\"token\":\"([^\"]+)\"", plan) + "/apply",
                "{\"meanings\":[\"QUERY\",\"POSITION\",\"ADDRESS\",\"TITLE\",\"DESCRIPTION\",\"DAY\"]}"));
    }

    /** The other walks find the pages as they were. */
    private void takeBack() {
        ended(send("POST", address + "/api/pushes/" + release() + "/return", "{}"));
    }

    private String get(String path) {
        return page.request()
                .get(address + "/api/properties/" + property + path)
                .text();
    }

    private String post(String path, String body) {
        return send("POST", address + "/api/properties/" + property + path, body);
    }

    private void put(String path, String body) {
        send("PUT", address + "/api/properties/" + property + path, body);
    }
}
