package lucidsweep.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * A push that is paused, whose application is killed, and of which one section is taken back. It starts two applications of its
 * own, so {@code ./bench} runs it; {@code PushKillTest} kills pushes in every run of the tests.
 */
@Tag("long")
class KilledPushWalkTest extends Walk {

    private static final int PAGES = 20;

    @TempDir
    private Path data;

    private int port;
    private RunningCommand application;

    /** One of its own, which may be killed; the website is that of the demo. */
    @BeforeEach
    void ofItsOwn() throws IOException, InterruptedException {
        port = Started.Stage.freePort();
        start();
        address = application.address();
    }

    @AfterEach
    void end() throws Exception {
        application.interrupt();
    }

    private void start() throws IOException, InterruptedException {
        Path said = Files.createTempFile(data, "said", ".txt");
        application = RunningCommand.start(
                Path.of(".."), said, "./start", "--port", "" + port, "--data", data.toString(), "--empty");
        application.awaitLine(RunningCommand.READY);
    }

    @Test
    void goesOnAfterAPauseAndAKillAndOneSectionIsTakenBack() throws Exception {
        String property = property(
                "Heron Ropes", "", "{\"maxPages\":" + PAGES + ",\"maxDepth\":3,\"connections\":1,\"delayMs\":0}");
        String api = address + "/api/properties/" + property;
        send("POST", api + "/batches", """
                {"selection":{},"spec":{"tool":"after","field":"title","with":" – since 1902"}}""");
        send("POST", api + "/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        send("PUT", api + "/content-system", """
                {"kind":"API","address":"%scontent","user":"editor","secret":"high-water","hasSecret":false,
                 "privateAllowed":true,"parallel":1,"pauseMs":100,"template":null}""".formatted(website));

        page.navigate(address + "/p/" + property + "/release");
        page.getByLabel("Deliver as").selectOption("push");
        page.getByText("Name and reason").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Since 1902");
        button("Put into a release").click();
        Locator release = dialog("Since 1902");
        release.getByText("Push all " + PAGES).click();
        assertThat(states(release)).containsText("being sent");
        release.getByText("Pause").click();
        release.getByText(Pattern.compile("^Push (the other|all) \\d+")).click();
        assertThat(release.getByText("Pause")).isVisible();
        application.kill();
        start();
        page.reload();
        page.getByText(Pattern.compile("^(Being pushed|Open)$")).click();
        assertThat(states(release)).containsText(PAGES + " pushed");
        assertThat(live(property)).isEqualTo("{\"live\":" + PAGES + "}");
        page.keyboard().press("Escape");

        page.getByLabel("Section", new Page.GetByLabelOptions().setExact(true)).selectOption("/tours/");
        assertThat(page.getByRole(AriaRole.GRID).getByText("/tours/").first()).isVisible();
        page.getByLabel("Select all rows").check();
        Locator selected = page.getByText(Pattern.compile("^\\d+ items selected$"));
        int tours = Integer.parseInt(found("(\\d+)", selected.innerText()));
        assertThat(tours).isBetween(5, PAGES - 1);
        button("Open").click();
        release.getByText("Take back …").click();
        release.getByLabel("Only the items selected in the table").check();
        release.getByText("Take these back").click();
        assertThat(states(release)).containsText(tours + " taken back");
        assertThat(states(release)).containsText((PAGES - tours) + " pushed");
        assertThat(live(property))
                .as("what was taken back counts no more")
                .isEqualTo("{\"live\":" + (PAGES - tours) + "}");

        // The site is left as it was found.
        release.getByText("Take back …").click();
        release.getByLabel("Only the items selected in the table").uncheck();
        release.getByText("Take back " + (PAGES - tours)).click();
        assertThat(states(release)).containsText(PAGES + " taken back");
    }

    private static Locator states(Locator release) {
        return release.getByLabel("Texts by state");
    }

    /** What a sweep of the release's pages sees of its texts. */
    private String live(String property) {
        String handovers = address + "/api/properties/" + property + "/handovers";
        String release = found("\"id\":(\\d+)", page.request().get(handovers).text());
        ended(send("POST", address + "/api/handovers/" + release + "/live", "{}"));
        return found("\"live\":(\\{[^}]*\\})", page.request().get(handovers).text());
    }
}
