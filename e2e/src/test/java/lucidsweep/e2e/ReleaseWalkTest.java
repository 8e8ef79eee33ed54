package lucidsweep.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.RequestOptions;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A release on its way: agreed, pushed through faults, decided about, looked for live, taken back. */
class ReleaseWalkTest extends Walk {

    private static final int PAGES = 14;

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

    /** A property of its own, with some pages of the demo's website and a draft for each. */
    private String property() {
        String property = property(
                "Marsh Quay", "", "{\"maxPages\":" + PAGES + ",\"maxDepth\":3,\"connections\":1,\"delayMs\":0}");
        assertThat(send(
                        "POST",
                        address + "/api/properties/" + property + "/batches",
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
                send("POST", website + "content/login", "{\"user\":\"editor\",\"password\":\"high-water\"}"));
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
        String entryAddress = website + "content/pages/" + item;
        String version = found(
                "\"version\":(\\d+)", page.request().get(entryAddress, known).text());
        APIResponse stored = page.request()
                .put(
                        entryAddress,
                        known.setData("{\"version\":" + version + ",\"fields\":{\"title\":\"" + title + "\"}}"));
        assertThat(stored.status()).isEqualTo(200);
        return title;
    }
}
