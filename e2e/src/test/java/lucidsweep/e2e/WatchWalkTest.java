package lucidsweep.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.FormData;
import com.microsoft.playwright.options.RequestOptions;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.RegisterExtension;

/** From a release with a tenth held back, over a quarter of a year on, to what it brought, what moved and what is due. */
@ExtendWith(Started.class)
class WatchWalkTest {

    private static final String ENDING = " | Tarrin Bay Kayaks: hire, tours and lessons";
    private static final Pattern SAID =
            Pattern.compile("([+−][\\d.]+)% clicks \\(([+−][\\d.]+)% to ([+−][\\d.]+)%\\), \\d+ items against \\d+");

    /** The interval misses the truth once in twenty days. */
    private static final double MARGIN = 0.15;

    private final List<String> faults = new ArrayList<>();

    private BrowserContext context;
    private Page page;
    private String address;
    private String website;
    private String property;

    /** A walk that fails says what the page showed. */
    @RegisterExtension
    final AfterTestExecutionCallback onFailure = test -> test.getExecutionException()
            .ifPresent(problem ->
                    problem.addSuppressed(new AssertionError("the page showed:\n" + page.innerText("body"))));

    @BeforeEach
    void open(Started.Stage stage) {
        address = stage.address();
        website = "http://127.0.0.1:" + (URI.create(address).getPort() + 1) + "/";
        context = stage.browser().newContext(new Browser.NewContextOptions().setViewportSize(1280, 800));
        page = context.newPage();
        page.onPageError(faults::add);
    }

    @AfterEach
    void close() {
        context.close();
        assertThat(faults).as("errors in the page").isEmpty();
    }

    @Test
    void fromAReleaseToWhatItBrought() {
        property = property();
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
        ended(post("/sweeps", "{\"maxPages\":2000,\"maxDepth\":12,\"connections\":4,\"delayMs\":0}"));

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
        assertThat(share(figures.group(2))).as(figures.group()).isLessThan(truth + MARGIN);
        assertThat(share(figures.group(3))).as(figures.group()).isGreaterThan(truth - MARGIN);

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
        return Double.parseDouble(percent.replace('−', '-').replace("+", "")) / 100;
    }

    /** By what share the changed tours are clicked more than they would be; other walks change other pages and take that back. */
    private double truth() {
        Matcher pages = Pattern.compile("\"page\":\"/tours/[^\"]+\",\"clicks\":([\\d.]+),\"without\":([\\d.]+)")
                .matcher(page.request().get(website + "search/changed").text());
        double clicks = 0;
        double without = 0;
        while (pages.find()) {
            if (pages.group(1).equals(pages.group(2))) continue;
            clicks += Double.parseDouble(pages.group(1));
            without += Double.parseDouble(pages.group(2));
        }
        return clicks / without - 1;
    }

    private static String everyOther(String ids) {
        String[] all = ids.replaceAll("[\\[\\]\\s]", "").split(",");
        List<String> half = new ArrayList<>();
        for (int i = 0; i < all.length; i += 2) half.add(all[i]);
        return half.toString();
    }

    private String property() {
        String client = found(
                "\"id\":(\\d+)",
                send(
                        "POST",
                        "/api/clients",
                        "{\"name\":\"Fennick Sails\",\"brand\":\"Tarrin Bay Kayaks\",\"places\":\"\"}"));
        property = found(
                "\"id\":(\\d+)",
                send(
                        "POST",
                        "/api/properties",
                        "{\"clientId\":" + client + ",\"kind\":\"website\",\"name\":\"Fennick Sails\",\"address\":\""
                                + website + "\",\"language\":\"en\",\"privateAllowed\":true}"));
        ended(post("/sweeps", "{\"maxPages\":2000,\"maxDepth\":12,\"connections\":4,\"delayMs\":0}"));
        fetchDemand();
        return property;
    }

    private String client() {
        return found("\"clientId\":(\\d+)", get("/standing"));
    }

    private void fetchDemand() {
        ended(post("/demand/fetch", "{\"address\":\"" + website + "search/demand\"}"));
        // What was fetched is then imported, by a job of its own.
        page.waitForCondition(() -> !get("/jobs").contains("\"state\":\"running\""));
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
                "/api/imports/" + found("\"token\":\"([^\"]+)\"", plan) + "/apply",
                "{\"meanings\":[\"QUERY\",\"POSITION\",\"ADDRESS\",\"TITLE\",\"DESCRIPTION\",\"DAY\"]}"));
    }

    /** The other walks find the pages as they were. */
    private void takeBack() {
        String release = found("\"id\":(\\d+)", get("/pushes"));
        ended(send("POST", "/api/pushes/" + release + "/return", "{}"));
    }

    private Locator dialog(String title) {
        return page.getByRole(
                AriaRole.DIALOG, new Page.GetByRoleOptions().setName(title).setExact(true));
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    private void ended(String begun) {
        String job = address + "/api/jobs/" + found("\"jobId\":(\\d+)", begun);
        page.waitForCondition(() -> !page.request().get(job).text().contains("\"state\":\"running\""));
    }

    private String get(String path) {
        return page.request()
                .get(address + "/api/properties/" + property + path)
                .text();
    }

    private String post(String path, String body) {
        return send("POST", "/api/properties/" + property + path, body);
    }

    private void put(String path, String body) {
        send("PUT", "/api/properties/" + property + path, body);
    }

    private String send(String method, String path, String body) {
        APIResponse answer = page.request()
                .fetch(
                        address + path,
                        RequestOptions.create()
                                .setMethod(method)
                                .setHeader("Content-Type", "application/json")
                                .setData(body));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.text();
    }

    private static String found(String pattern, String text) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        assertThat(matcher.find()).as(text).isTrue();
        return matcher.group(1);
    }
}
