package lucidsweep.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.net.URI;
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

/** A release on its way: agreed, pushed through faults, decided about, looked for live, taken back. */
@ExtendWith(Started.class)
class ReleaseWalkTest {

    private static final int PAGES = 14;

    private final List<String> faults = new ArrayList<>();

    private BrowserContext context;
    private Page page;
    private String address;
    private String website;

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
    void fromApprovalToTakingBack() {
        String property = property();
        page.navigate(address + "/p/" + property + "/release");

        page.getByLabel("Deliver as").selectOption("push");
        Locator settings = dialog("Content system");
        settings.getByLabel("Address", new Locator.GetByLabelOptions().setExact(true))
                .fill(website + "content");
        settings.getByLabel("User").fill("troubled");
        settings.getByLabel("Password", new Locator.GetByLabelOptions().setExact(true))
                .fill("high-water");
        settings.getByLabel("Allow private addresses").check();
        settings.getByText("Save and try on one item").click();
        assertThat(settings.getByText("was read; nothing was changed there")).isVisible();
        page.keyboard().press("Escape");

        // One is looked at by itself and sent back, the others are approved together.
        page.getByRole(AriaRole.GRID).getByText(" – 2027").first().click();
        Locator made = page.getByLabel("Before and after");
        assertThat(made.locator("ins")).containsText("2027");
        page.keyboard().press("s");
        made.getByLabel("Note").fill("Not this year");
        page.keyboard().press("Control+Enter");
        assertThat(page.getByText("1 draft sent back.")).isVisible();
        page.getByLabel("Close-up", new Page.GetByLabelOptions().setExact(true))
                .getByLabel("Close")
                .click();
        page.getByLabel("Draft", new Page.GetByLabelOptions().setExact(true)).selectOption("drafted");
        page.getByLabel("Select all rows").check();
        button("Approve").click();
        int texts = PAGES - 1;
        assertThat(page.getByText(texts + " approved drafts to deliver")).isVisible();

        page.getByLabel("Deliver as").selectOption("push");
        page.getByText("Name and reason").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Next season");
        button("Put into a release").click();
        Locator release = dialog("Next season");
        assertThat(states(release)).containsText(texts + " waiting");
        release.getByText("Dry run").click();
        assertThat(release.getByText(texts + " texts can be pushed.")).isVisible();

        String somebodys = changedByHand(property);
        release.getByLabel("How many items first").fill("4");
        release.getByText("Push a few first").click();
        assertThat(states(release)).containsText(Pattern.compile("[34] pushed"));
        release.getByText(Pattern.compile("^Push the other")).click();
        assertThat(states(release)).containsText((texts - 1) + " pushed");
        Locator conflict =
                release.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText(somebodys));
        assertThat(conflict).containsText("there now");
        conflict.getByText("Theirs").click();
        assertThat(states(release)).containsText("1 left out");
        page.keyboard().press("Escape");

        button("Not looked for yet").click();
        Locator live = dialog("Next season, seen live");
        live.getByText("Sweep these pages again").click();
        assertThat(live.getByRole(AriaRole.TAB)).containsText((texts - 1) + " live");
        page.keyboard().press("Escape");

        page.reload();
        button("Open").click();
        release.getByText("Take back …").click();
        release.getByText("Take back " + (texts - 1)).click();
        assertThat(states(release)).containsText((texts - 1) + " taken back");
        assertThat(release.getByText((texts - 1) + " taken back.")).isVisible();
    }

    private static Locator states(Locator release) {
        return release.getByLabel("Texts by state");
    }

    private Locator dialog(String title) {
        return page.getByRole(
                AriaRole.DIALOG, new Page.GetByRoleOptions().setName(title).setExact(true));
    }

    private Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** A property of its own, with some pages of the demo's website and a draft for each. */
    private String property() {
        String client = found(
                "\"id\":(\\d+)",
                post(address + "/api/clients", "{\"name\":\"Marsh Quay\",\"brand\":\"\",\"places\":\"\"}"));
        String property = found(
                "\"id\":(\\d+)",
                post(
                        address + "/api/properties",
                        "{\"clientId\":" + client + ",\"kind\":\"website\",\"name\":\"Marsh Quay\",\"address\":\""
                                + website + "\",\"language\":\"en\",\"privateAllowed\":true}"));
        String path = address + "/api/properties/" + property;
        ended(post(path + "/sweeps", "{\"maxPages\":" + PAGES + ",\"maxDepth\":3,\"connections\":1,\"delayMs\":0}"));
        assertThat(post(
                        path + "/batches",
                        "{\"selection\":{},\"spec\":{\"tool\":\"after\",\"field\":\"title\",\"with\":\" – 2027\"}}"))
                .contains("\"items\":" + PAGES);
        return property;
    }

    /** Changes the title of one of the pages that wait, as somebody of the client's would; returns it. */
    private String changedByHand(String property) {
        String push = found(
                "\"id\":(\\d+)",
                page.request()
                        .get(address + "/api/properties/" + property + "/pushes")
                        .text());
        String path = found(
                "\"address\":\"https?://[^/]+(/tours/[^/\"]+/[^\"]+)\"",
                page.request().get(address + "/api/pushes/" + push + "/lines").text());
        String token = found(
                "\"token\":\"([^\"]+)\"",
                post(website + "content/login", "{\"user\":\"editor\",\"password\":\"high-water\"}"));
        RequestOptions known = RequestOptions.create().setHeader("Authorization", "Bearer " + token);
        String item = "";
        for (String after = "", before = null; item.isEmpty() && !after.equals(before); ) {
            before = after;
            String list = page.request()
                    .get(website + "content/pages?after=" + after, known)
                    .text();
            Matcher entry = Pattern.compile("\"id\":\"([^\"]+)\",\"address\":\"([^\"]+)\"")
                    .matcher(list);
            while (entry.find()) {
                after = entry.group(1);
                if (entry.group(2).equals(path)) item = after;
            }
        }
        String title = "A tour, as the guides call it";
        APIResponse stored = page.request()
                .put(
                        website + "content/pages/" + item,
                        known.setData("{\"version\":1,\"fields\":{\"title\":\"" + title + "\"}}"));
        assertThat(stored.status()).isEqualTo(200);
        return title;
    }

    private void ended(String begun) {
        String job = address + "/api/jobs/" + found("\"jobId\":(\\d+)", begun);
        page.waitForCondition(() -> !page.request().get(job).text().contains("\"state\":\"running\""));
    }

    private String post(String url, String body) {
        APIResponse answer = page.request()
                .post(
                        url,
                        RequestOptions.create()
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
