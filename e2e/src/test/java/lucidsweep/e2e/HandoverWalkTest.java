package lucidsweep.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.io.IOException;
import java.nio.file.Files;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.Isolated;

/** From what holds the demo's website back to a file that mends it: after all others, since it delivers whatever is drafted. */
@Isolated
@Order(1)
class HandoverWalkTest extends Walk {

    @Test
    void causeIsFixedApprovedAndDelivered() throws IOException {
        page.navigate(address);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Website"))
                .first()
                .click();
        assertThat(page.getByRole(
                        AriaRole.HEADING, new Page.GetByRoleOptions().setName("What holds this property back")))
                .isVisible();
        assertThat(ribbon("Rewrite")).containsText(Pattern.compile("\\d+ drafted"));
        int drafted = Integer.parseInt(found("(\\d+) drafted", ribbon("Rewrite").innerText()));
        Locator cause = page.getByRole(AriaRole.LISTITEM)
                .filter(new Locator.FilterOptions().setHasText("48 titles end in the same 44 letters"));
        assertThat(cause).containsText("Without them, 48 fit.");
        cause.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Remove the ending"))
                .click();

        assertThat(panel()).containsText("48 titles would change, all of them fit");
        // The desk shows what would become of it, and can be narrowed to that.
        Locator becomes = page.getByRole(AriaRole.GRID)
                .getByText("Sunset tour at Otter Point", new Locator.GetByTextOptions().setExact(true));
        assertThat(becomes.first()).isVisible();
        panel().getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("changed 48"))
                .click();
        assertThat(total("48 items")).isVisible();
        button("Draft 48").click();
        assertThat(ribbon("Rewrite")).containsText(drafted + 48 + " drafted");

        stage("Release");
        page.getByLabel("Select all rows").check();
        assertThat(page.getByText(Pattern.compile("^\\d+ items selected$"))).isVisible();
        button("Approve").click();
        assertThat(page.getByText(drafted + 48 + " approved drafts to deliver")).isVisible();
        Download file = page.waitForDownload(() -> button("Deliver").click());
        String csv = Files.readString(file.path());
        assertThat(csv.lines()).hasSize(1 + drafted + 48);
        assertThat(csv)
                .contains(
                        "/tours/otter-point/sunset-tour/,title,\"Sunset tour at Otter Point | Tarrin Bay Kayaks: hire, tours and lessons\",Sunset tour at Otter Point");
        assertThat(ribbon("Release")).containsText("delivered");

        stage("Watch");
        assertThat(page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Clicks and positions")))
                .isVisible();
    }
}
