package lucidsweep.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.Download;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The six stages as a person walks them, with mouse and keyboard. */
class WalkTest extends Walk {

    private static final String SCHEME = "data-mantine-color-scheme";

    @Override
    protected Browser.NewContextOptions options() {
        return super.options().setPermissions(List.of("clipboard-read", "clipboard-write"));
    }

    @Test
    void triageIsWorkedFromItsPictureItsChecklistItsStandardAndItsReport() throws IOException {
        page.navigate(address + "/p/1/triage");
        link(Pattern.compile("^Description in .shop.: \\d+ findings")).click();
        assertThat(page.getByRole(AriaRole.GRID)).containsText("/shop/");
        assertThat(page.getByLabel("Finding", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("description any");
        page.goBack();
        link(Pattern.compile("^Checklist$")).click();
        Locator missing = page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHasText(Pattern.compile("^Missing\\s*\\d+%")))
                .first();
        assertThat(missing).containsText(Pattern.compile("\\d+%\\d+%"));
        missing.getByRole(AriaRole.LINK).click();
        assertThat(page.getByRole(AriaRole.GRID)).containsText("there is no title");
        page.goBack();

        link(Pattern.compile("^Standard$")).click();
        page.getByLabel("Width on a desktop, at least").first().fill("300");
        button("Preview").click();
        assertThat(page.getByText(Pattern.compile("It would add \\d+ findings and take 0 away")))
                .isVisible();
        button("Apply").click();
        assertThat(page.getByText("A standard of this property’s own.")).isVisible();
        button("Undo").click();
        assertThat(page.getByLabel("Width on a desktop, at least").first()).hasValue("200 px");
        button("Back to the ready-made one").click();
        assertThat(page.getByText("The ready-made standard for this kind of property."))
                .isVisible();

        link(Pattern.compile("^Causes$")).click();
        button("Report").click();
        page.getByLabel("Language", new Page.GetByLabelOptions().setExact(true)).selectOption("German");
        Download report = page.waitForDownload(() -> button("Download HTML").click());
        assertThat(Files.readString(report.path()))
                .contains("Was gefunden wurde", "Titel: zu lang")
                .doesNotContain("<script");
        Download workbook = page.waitForDownload(
                () -> link(Pattern.compile("^XLSX$")).first().click());
        assertThat(Files.size(workbook.path())).isGreaterThan(2_000);
    }

    @Test
    void aSetIsMadeHeldToLimitsOfItsOwnAndAFindingLetStand() {
        page.navigate(address + "/p/1/triage?view=sets");
        button("New set").click();
        page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)).fill("Lessons");
        page.getByLabel("Address", new Page.GetByLabelOptions().setExact(true)).fill("/lessons/");
        assertThat(page.locator("form[aria-label='A new set']")).containsText("19 items");
        button("Save set").click();
        assertThat(page.getByText("The set “Lessons” has 19 items.")).isVisible();

        Locator made = page.getByRole(AriaRole.LISTITEM).filter(new Locator.FilterOptions().setHasText("Lessons"));
        made.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Give it a standard"))
                .click();
        assertThat(page.getByLabel("Held to it")).containsText("the set Lessons");
        page.getByLabel("Length, at most").first().fill("20");
        button("Preview").click();
        assertThat(page.getByText(Pattern.compile("It would add \\d+ findings and take 0 away")))
                .isVisible();
        button("Apply").click();
        assertThat(page.getByText("What this set says itself is marked", new Page.GetByTextOptions().setExact(false)))
                .isVisible();

        stage("Rewrite");
        button("More …").click();
        page.getByLabel("Set", new Page.GetByLabelOptions().setExact(true))
                .selectOption(new SelectOption().setIndex(3));
        assertThat(page.locator("[role=row]").nth(1)).containsText("/lessons/");
        page.locator("[role=row]").nth(1).locator("[data-column=title]").click();
        Locator closeUp = page.getByRole(AriaRole.COMPLEMENTARY);
        assertThat(closeUp).containsText("Held to the limits of “Lessons” instead of the property’s.");
        assertThat(closeUp).containsText("title too long");
        closeUp.getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Let it stand"))
                .first()
                .click();
        page.getByLabel("Why it stands").fill("The client wants it so.");
        closeUp.getByRole(
                        AriaRole.BUTTON,
                        new Locator.GetByRoleOptions().setName("Let it stand").setExact(true))
                .first()
                .click();
        assertThat(closeUp).containsText("The client wants it so.");
        button("Hold it to the check again").click();
        assertThat(closeUp).not().containsText("The client wants it so.");
    }

    private Locator link(Pattern name) {
        return page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(name));
    }

    @Test
    void aRecipeOverEverythingIsAppliedAndUndone() {
        page.navigate(address + "/p/1/rewrite?section=%2Fboats%2F");
        button("Rewrite in bulk").click();
        assertThat(panel()).containsText("51 items");
        panel().getByLabel("Field").selectOption("of descriptions");
        assertThat(panel().getByLabel("Field")).hasValue("description");
        panel().getByLabel("Field").selectOption("of titles");
        assertThat(panel().getByLabel("Field")).hasValue("title");
        assertThat(button(Pattern.compile("Draft \\d+"))).isEnabled();
        button(Pattern.compile("Draft \\d+")).click();
        assertThat(page.getByText(Pattern.compile("\\d+ texts drafted. ctrl \\+ Z undoes it.")))
                .isVisible();
        assertThat(cell("/boats/knot-9-kit/", "title")).containsText("Tarrin Bay Kayaks");
        page.keyboard().press("Control+z");
        assertThat(page.getByText(Pattern.compile("Undone: Recipe for titles"))).isVisible();
        assertThat(cell("/boats/knot-9-kit/", "title")).not().containsText("Tarrin Bay Kayaks");
    }

    /** Tags of a shop, words replaced by key, and another wording taken by its number; each undone. */
    @Test
    void tagSetsReplacementsAndWordingsAreDraftedAndUndone() {
        page.navigate(address + "/p/2/rewrite");
        button("Rewrite in bulk").click();
        panel().getByLabel("Tool").selectOption("Choose tag sets");
        assertThat(panel()).containsText(Pattern.compile("The tags of all cover [\\d,]+ searches a month"));
        button(Pattern.compile("Draft \\d+")).click();
        assertThat(page.getByText(Pattern.compile("\\d+ texts drafted. ctrl \\+ Z undoes it.")))
                .isVisible();
        page.keyboard().press("Control+z");
        assertThat(page.getByText(Pattern.compile("Undone: Tag sets chosen by searches")))
                .isVisible();

        // Few rows: the last ones of many are below what rises from the bottom, and a message that is pointed at stays.
        moveTo("/p/1/rewrite?section=%2Flessons%2F&q=surf");
        Locator title = cell("/lessons/surf-landings/", "title");
        title.click();
        page.keyboard().press("Control+h");
        assertThat(panel().getByLabel("Tool")).hasValue("replace");
        panel().getByLabel("Find").fill("lesson");
        panel().getByLabel("Replace with").fill("morning");
        panel().getByText("Whole words").click();
        assertThat(title).containsText("Surf landings: morning on the water");
        button(Pattern.compile("Draft \\d+")).click();
        assertThat(page.getByText(Pattern.compile("\\d+ texts drafted.")).last())
                .isVisible();
        assertThat(title).containsText("Surf landings: morning on the water");
        page.keyboard().press("Control+z");
        assertThat(title).containsText("Surf landings: lesson on the water");

        title.click();
        button("Other wordings").first().click();
        button("Add a wording").click();
        Locator second = page.getByLabel("Wording 2").last();
        second.fill("Surf landings, calmly taught");
        assertThat(page.getByLabel("Other wordings")).containsText("28 characters");
        page.getByRole(AriaRole.HEADING, new Page.GetByRoleOptions().setName("Wordings of the title"))
                .click();
        second.blur();
        page.keyboard().press("2");
        assertThat(title).containsText("Surf landings, calmly taught");
        page.keyboard().press("Control+z");
        assertThat(title).containsText("Surf landings: lesson on the water");
    }

    @Test
    void headingsAreEditedHitsSteppedThroughAndTheHistoryLookedAt() {
        page.navigate(address + "/p/1/rewrite?section=%2Fjournal%2F");
        page.getByRole(AriaRole.GRID).waitFor();
        button("Columns").click();
        page.getByLabel("H1", new Page.GetByLabelOptions().setExact(true)).check();
        page.keyboard().press("Escape");
        Locator heading = cell("/journal/camping-by-kayak-in-april/", "h1");
        heading.click();
        page.keyboard().press("F2");
        page.keyboard().press("Control+a");
        page.keyboard().type("Camping by kayak when the gorse is out");
        page.keyboard().press("Enter");
        assertThat(heading).containsText("Camping by kayak when the gorse is out");

        page.keyboard().press("Escape");
        page.keyboard().press("Control+h");
        panel().getByLabel("Find").fill("camping");
        panel().getByLabel("Replace with").fill("sleeping out");
        button(Pattern.compile("^Step through the \\d+ hits$")).click();
        Locator hits = page.getByLabel("Hits one by one");
        assertThat(hits).containsText("Hit 1 of");
        button("Skip").click();
        assertThat(hits).containsText("Hit 2 of");
        button("Take it").click();
        assertThat(hits).containsText("1 text taken");
        button("Enough").click();
        assertThat(panel()).containsText("1 hit");
        button("Draft 1").click();
        assertThat(page.getByText("1 text drafted. ctrl + Z undoes it.")).isVisible();

        button("History").click();
        page.getByLabel("Batches").getByRole(AriaRole.BUTTON).first().click();
        Locator changed = page.getByLabel("What was changed");
        assertThat(changed).containsText("sleeping out");
        page.getByLabel("Batches").getByRole(AriaRole.BUTTON).nth(1).click();
        assertThat(changed).containsText("Camping by kayak when the gorse is out");
        changed.getByLabel("Compared with").selectOption("All since the beginning");
        assertThat(changed).containsText(Pattern.compile("\\d+ texts"));
        button("Undo this batch").click();
        assertThat(page.getByText(Pattern.compile("^Undone: One H1 by hand"))).isVisible();
        page.keyboard().press("Escape");
        assertThat(heading).not().containsText("gorse");
        page.keyboard().press("Control+z");
        assertThat(page.getByText(Pattern.compile("^Undone: “camping” replaced")))
                .isVisible();
    }

    @Test
    void altTextsAreWrittenAndSharedBlocksPutBelowDescriptions() {
        page.navigate(address + "/p/1/rewrite?tool=recipe&on=images&field=images&check=any");
        assertThat(panel()).containsText("2 pages would change");
        button("Draft 2").click();
        assertThat(page.getByText("2 texts drafted. ctrl + Z undoes it.")).isVisible();
        page.keyboard().press("Control+z");
        assertThat(page.getByText(Pattern.compile("^Undone: Recipe for alt texts")))
                .isVisible();

        moveTo("/p/1/rewrite?field=images&check=any");
        // A tick of these shows with what follows from it, a moment after the click.
        button("Columns").click();
        page.getByLabel("alt texts", new Page.GetByLabelOptions().setExact(true))
                .click();
        page.keyboard().press("Escape");
        Locator texts = cell("/journal/a-paddlers-soup-for-september/", "images");
        texts.click();
        page.keyboard().press("F2");
        page.keyboard().type("A bowl of soup on the slip");
        page.keyboard().press("Enter");
        assertThat(texts).containsText("boat.svg: A bowl of soup on the slip");
        page.keyboard().press("Escape");
        page.keyboard().press("Control+z");
        assertThat(texts).containsText("boat.svg: none");

        moveTo("/p/2/rewrite?tool=blocks&on=description");
        assertThat(panel()).containsText("180 descriptions would change");
        page.getByLabel("Postage in descriptions").click();
        assertThat(page.locator("[role=gridcell][data-column=description]").first())
                .not()
                .containsText("Sent from the boat shed");
        page.getByLabel("The shed in descriptions").click();
        Locator verdict = panel().getByRole(AriaRole.STATUS);
        assertThat(verdict).containsText(Pattern.compile("^0 descriptions would change"));
        page.getByLabel("Postage in descriptions").click();
        assertThat(verdict).containsText("180 descriptions would change, all of them fit");
        button("Draft 180").click();
        assertThat(page.getByText("180 texts drafted. ctrl + Z undoes it.")).isVisible();
        page.keyboard().press("Control+z");
        assertThat(page.getByText(Pattern.compile("^Undone: Blocks put below descriptions")))
                .isVisible();
    }

    @Test
    void theClientDecidesInASheetOfItsOwn() throws IOException {
        page.navigate(address + "/p/1/release");
        Download sheet =
                page.waitForDownload(() -> button("Make a review sheet").click());
        Path folder = Files.createTempDirectory("review-");
        Path file = folder.resolve("texts-to-review.html");
        sheet.saveAs(file);

        Page client = another();
        client.navigate(file.toUri().toString());
        Locator decided = client.getByRole(AriaRole.STATUS);
        assertThat(decided).containsText(Pattern.compile("^0 of \\d+ decided$"));
        Locator texts = client.getByRole(AriaRole.ARTICLE);
        texts.nth(0)
                .getByText("Approve", new Locator.GetByTextOptions().setExact(true))
                .click();
        texts.nth(1).getByText("Send back").click();
        texts.nth(1).getByLabel("Note").fill("Say which month");
        texts.nth(2).getByText("Reword").click();
        texts.nth(2).getByLabel("Your wording").fill("Out with the evening tide");
        assertThat(decided).containsText(Pattern.compile("^3 of "));
        Download saved = client.waitForDownload(
                () -> client.getByText("Save what was decided").click());
        Path decisions = folder.resolve("decided.json");
        saved.saveAs(decisions);
        client.close();

        page.locator("section[aria-label='Ask the client'] input[type=file]").setInputFiles(decisions);
        Locator review = page.getByLabel("Ask the client");
        assertThat(review).containsText(Pattern.compile("1 text approved, [01] sent back, 1 reworded"));
        review.getByRole(AriaRole.BUTTON)
                .filter(new Locator.FilterOptions().setHasText("Take in"))
                .click();
        assertThat(page.getByText(Pattern.compile("^1 approved, [01] sent back, 1 reworded\\.$")))
                .isVisible();
        assertThat(rows("Out with the evening tide")).containsText("approved");
        Files.delete(decisions);
        Files.delete(file);
        Files.delete(folder);
    }

    @Test
    void theWriterIsAskedItsAnswersCheckedDraftedAndUndone() {
        page.navigate(address + "/p/1/rewrite?section=%2Ftours%2F&count=8");
        page.getByRole(AriaRole.GRID).waitFor();
        for (int row : new int[] {1, 2, 3, 4})
            page.getByRole(AriaRole.CHECKBOX).nth(row).click();
        button("Writer").click();
        Locator writer = page.getByLabel("Writer", new Page.GetByLabelOptions().setExact(true));
        assertThat(writer).containsText("12 answers");
        writer.getByLabel("Ask for Description").click();
        assertThat(writer).containsText("8 answers");
        button("Write for 4 items").click();
        assertThat(writer.getByText(Pattern.compile("^[1-4] done$")).last()).isVisible();
        assertThat(page.locator("[role=gridcell][data-column='writer 3']").first())
                .containsText(Pattern.compile("- |waits|“"));

        // Of all that was asked, some failed; the desk is narrowed to those, each says why.
        page.navigate(address + "/p/1/rewrite?section=%2Fhire%2F&tool=writer");
        writer.getByText(Pattern.compile("^\\d+ failed$")).first().click();
        Locator failed = page.locator("[role=gridcell][data-column='writer 2']").first();
        failed.click();
        assertThat(page.getByLabel("Answers that cannot be used")).containsText(Pattern.compile("Title|Description"));
        writer.getByText(Pattern.compile("^\\d+ failed$")).first().click();

        button("Preview drafts").first().click();
        assertThat(panel()).containsText(Pattern.compile("\\d+ titles would change"));
        button(Pattern.compile("Draft \\d+")).click();
        assertThat(page.getByText(Pattern.compile("\\d+ texts drafted. ctrl \\+ Z undoes it.")))
                .isVisible();
        page.keyboard().press("Control+z");
        assertThat(page.getByText(Pattern.compile("Undone: Titles of the writer")))
                .isVisible();
    }

    @Test
    void theDeskIsWorkedWithTheKeyboard() {
        page.navigate(address + "/p/1/rewrite?section=%2Flessons%2F");
        Locator first = cell("/lessons/family-taster/", "title");
        first.click();
        page.keyboard().press("F2");
        page.keyboard().press("Control+a");
        page.keyboard()
                .type("Family taster: two hours in doubles, with patient coaches, warm hats and cocoa for everyone");
        assertThat(page.getByText(Pattern.compile("^\\d+ px over$"))).isVisible();
        assertThat(page.getByLabel("The result on a desktop").first()).containsText("Family taster: two hours");
        page.keyboard().press("Escape");
        assertThat(first).containsText("Family taster: lesson on the water");

        page.keyboard().press("Enter");
        page.keyboard().press("Control+a");
        page.keyboard().type("Family taster in doubles");
        page.keyboard().press("Enter");
        assertThat(first).containsText("Family taster in doubles");
        assertThat(page.getByLabel("Close-up", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();

        first.click();
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("Shift+ArrowDown");
        page.keyboard().press("Control+d");
        assertThat(rows("Family taster in doubles")).hasCount(3);
        page.keyboard().press("Control+c");
        assertThat(String.valueOf(page.evaluate("navigator.clipboard.readText()")))
                .isEqualTo("Family taster in doubles\n".repeat(3).strip());

        page.evaluate("navigator.clipboard.writeText('One title\\tOne description\\nTwo title\\tTwo description')");
        first.click();
        page.keyboard().press("Control+v");
        assertThat(cell("/lessons/family-taster/", "description")).containsText("One description");
        assertThat(rows("Two title")).containsText("Two description");

        for (int i = 0; i < 3; i++) {
            page.keyboard().press("Control+z");
            assertThat(page.getByText("Undone:")).hasCount(i + 1);
        }
        assertThat(first).containsText("Family taster: lesson on the water");
    }

    @Test
    void keywordsArePastedAndItemsAimedByHand() {
        page.navigate(address + "/p/2/aim");
        button("Add keywords").click();
        page.getByLabel("One a line, or rows of phrase, volume and competition")
                .fill("cedar bread board\t1.3K\nrope doormat\t90\nwalnut propeller\t10");
        button("Add").click();
        assertThat(page.getByText("1 keyword added, 2 known already; 133 items aimed."))
                .isVisible();
        page.keyboard().press("Escape");
        view("Without an item");
        assertThat(page.getByRole(AriaRole.GRID)).containsText("walnut propeller");
        view("Without a keyword");
        page.getByRole(AriaRole.GRID).getByRole(AriaRole.CHECKBOX).nth(1).click();
        page.getByPlaceholder("Aim at …").fill("walnut");
        page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("walnut propeller"))
                .click();
        assertThat(page.getByText("1 item aimed by hand.")).isVisible();
        assertThat(ribbon("Aim")).containsText("134 aimed");
    }

    @Test
    void keywordsAreNarrowedOpenedAndABetterOneIsTaken() {
        page.navigate(address + "/p/1/aim");
        page.getByLabel("Place", new Page.GetByLabelOptions().setExact(true)).selectOption("Kittering");
        assertThat(rows("sea cave tour kittering")).isVisible();
        button("More …").click();
        page.getByLabel("Season", new Page.GetByLabelOptions().setExact(true)).selectOption("yes");
        page.keyboard().press("Escape");
        assertThat(rows("things to do kittering")).hasCount(0);
        rows("sea cave tour kittering").getByText("June to August").click();
        Locator panel = page.getByRole(AriaRole.COMPLEMENTARY);
        assertThat(panel.getByText("/tours/kittering/sea-cave-tour/").first()).isVisible();
        assertThat(panel).containsText("its item, primary");
        page.keyboard().press("ArrowDown");
        assertThat(panel.getByRole(AriaRole.HEADING).first()).not().containsText("sea cave tour");
        page.reload();
        assertThat(page.getByLabel("Place", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("Kittering");

        view("Better keywords");
        rows("island trip kittering").getByText("island day tour kittering").click();
        assertThat(panel).containsText("an estimate");
        page.getByText("Too early", new Page.GetByTextOptions().setExact(true)).click();
        assertThat(rows("kayak fishing weekend")).containsText(Pattern.compile("20\\d\\d"));
        page.getByText("Can be taken").click();
        rows("island trip kittering").getByRole(AriaRole.CHECKBOX).click();
        button("Aim at these and rewrite").click();
        assertThat(page.getByText("1 item aimed anew.")).isVisible();
        assertThat(cell("/tours/kittering/island-day-tour/", "title")).isVisible();
        assertThat(panel()).isVisible();
        assertThat(page.getByRole(AriaRole.GRID)).hasAttribute("aria-rowcount", "2");

        moveTo("/p/1/aim?side=shared");
        assertThat(page.getByText("keep").first()).isVisible();
        view("All items");
        page.getByRole(AriaRole.GRID).locator("[data-column=title]").nth(1).click();
        page.getByText("Its phrases").click();
        assertThat(page.getByText("Two words")).isVisible();

        moveTo("/p/1/aim?side=pages");
        assertThat(page.getByText("Women kayaking group – Tarrin Bay Kayaks")).isVisible();
        view("Click curve");
        page.getByRole(AriaRole.SLIDER).press("ArrowRight");
        assertThat(page.getByText("Position 2:")).isVisible();
    }

    @Test
    void demandTopicsAndPlacesAreLookedAtAndPhrasesListed() {
        page.navigate(address + "/p/1/aim?side=demand");
        page.getByLabel("Window", new Page.GetByLabelOptions().setExact(true)).selectOption("52 weeks");
        page.getByLabel("Country", new Page.GetByLabelOptions().setExact(true)).selectOption("ie");
        page.getByLabel("Text in the query").fill("seals");
        rows("seals saltmeadow").locator("[data-column=text]").click();
        Locator panel = page.getByRole(AriaRole.COMPLEMENTARY);
        assertThat(panel.getByText("/tours/saltmeadow/seal-watching-tour/")).isVisible();
        page.getByLabel("Side").getByText("Items").click();
        page.reload();
        assertThat(page.getByLabel("Window", new Page.GetByLabelOptions().setExact(true)))
                .hasValue("52");

        view("Topics");
        rows("seals pellow sound").locator("[data-column=topic]").click();
        assertThat(panel.getByText("pages that fit it")).isVisible();
        panel.getByLabel("birdwatching tour pellow sound").check();
        panel.getByLabel("A topic of their own for 1 keyword").fill("birds from the boat");
        button("Take them out").click();
        page.getByLabel("Text in a topic or its keywords").fill("birds from");
        assertThat(rows("birds from the boat")).isVisible();

        view("Places and services");
        page.getByLabel(Pattern.compile("^seals saltmeadow: ")).click();
        assertThat(panel).containsText("has it as its keyword.");

        view("All keywords");
        page.getByRole(AriaRole.SEARCH).getByRole(AriaRole.TEXTBOX).fill("wooden canoe kit");
        page.keyboard().press("Enter");
        rows("wooden canoe kit").locator("[data-column=phrase]").click();
        page.keyboard().press("l");
        page.getByPlaceholder("Spring tours").fill("For the winter");
        page.getByLabel("Look again in").selectOption(new SelectOption().setIndex(1));
        button("Put on the list").click();
        assertThat(page.getByText("1 phrase is on “For the winter”")).isVisible();
        moveTo("/");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(Pattern.compile("^\\d+ phrases$")))
                .click();
        assertThat(page.getByText("For the winter", new Page.GetByTextOptions().setExact(true)))
                .isVisible();
        Locator listed = page.getByLabel("Remove wooden canoe kit from the list");
        listed.click();
        assertThat(listed).hasCount(0);
    }

    @Test
    void aClientIsAddedAFileImportedAndBothRemovedAgain() {
        page.navigate(address);
        button("Add a client").click();
        page.getByLabel("Name").fill("Skerry Ropeworks");
        button("Add").last().click();
        Locator client = page.locator("section").filter(new Locator.FilterOptions().setHasText("Skerry Ropeworks"));
        client.getByText("add a property").click();
        page.getByLabel("Kind").selectOption("the listings of a shop");
        page.getByLabel("Name").fill("Market stall");
        button("Add").last().click();
        client.getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName("Market stall"))
                .click();
        // The first page has an input for backups, too.
        assertThat(page.getByText("Import listings")).isVisible();
        byte[] csv =
                "Market stall\n\nnumber;wording;text\n1;Anchor rope, ten metres of it, by hand;Strong\n2;Bell;rope;of;jute\nTotal\n"
                        .getBytes(StandardCharsets.UTF_8);
        page.locator("input[type=file]").setInputFiles(new FilePayload("stall.csv", "text/csv", csv));
        assertThat(page.getByText("cells separated by semicolon")).isVisible();
        assertThat(button("Import")).isDisabled();
        page.getByLabel("What wording holds").selectOption("title");
        page.getByLabel("Leave all tags empty").check();
        button("Test the import").click();
        assertThat(page.getByText("line 6 is left out: a total: “Total”")).isVisible();
        button("Import").click();
        assertThat(page.getByText(
                        "1 listing read, 1 row could not be read, 1 line left out (totals, notes, repeated names)."))
                .isVisible();
        page.getByText("1 listing read, 1 row could not be read, 1 line left out (totals, notes, repeated names).")
                .click();
        page.getByText("could not be read", new Page.GetByTextOptions().setExact(true))
                .click();
        assertThat(page.getByText("expected 3 cells, got 5").first()).isVisible();
        page.keyboard().press("Escape");
        assertThat(cell("1", "title")).containsText("Anchor rope");

        moveTo("/");
        client.getByText("Change", new Locator.GetByTextOptions().setExact(true))
                .first()
                .click();
        button("Remove (can be brought back)").click();
        assertThat(client.getByText("add a property")).hasCount(0);
        page.getByText("bring back").click();
        assertThat(client.getByText("add a property")).isVisible();
    }

    @Test
    void theAddressHoldsTheView() {
        page.navigate(address + "/p/1/gather");
        page.getByLabel("Find items by address or text").fill("seal");
        page.keyboard().press("Enter");
        assertThat(total("13 items")).isVisible();
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName("title").setExact(true))
                .click();
        page.reload();
        assertThat(total("13 items")).isVisible();
        assertThat(page.getByRole(AriaRole.COLUMNHEADER, new Page.GetByRoleOptions().setName("title")))
                .hasAttribute("aria-sort", "ascending");
        page.goBack();
        page.goBack();
        assertThat(total("374 items")).isVisible();
    }

    @Test
    void anErrorIsSaidAndNothingBreaks() {
        page.navigate(address + "/p/1/rewrite");
        button("Rewrite in bulk").click();
        panel().getByLabel("Tool").selectOption("Find and replace");
        panel().getByLabel("Find").fill("(tour");
        panel().getByText("Regular expression").click();
        assertThat(panel().getByRole(AriaRole.ALERT)).containsText("cannot be read at character");
        assertThat(button("Draft them")).isDisabled();
        moveTo("/p/999/triage");
        assertThat(page.getByText("there is no property 999").first()).isVisible();
    }

    @Test
    void aSweepWithinAScopeAndAnImportThatIsTakenBack() {
        page.navigate(address + "/p/1/gather");
        page.getByText("Scope").click();
        page.getByLabel("Only addresses that fit").fill("/lessons/");
        button("Preview on known addresses").click();
        assertThat(page.getByText("addresses it would look at")).containsText("Of 374");
        button("Start the sweep").click();
        assertThat(button("A sweep is under way")).hasCount(0);
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("Compare"))
                .click();
        assertThat(page.getByText(Pattern.compile("\\d unchanged"))).isVisible();
        assertThat(button("0 gone")).isDisabled();

        moveTo("/p/1/gather");
        page.locator("[role=row]").nth(2).click();
        page.getByText("All that was captured").click();
        assertThat(page.getByText("links on it")).isVisible();
        assertThat(page.getByText("Guided tours (navigation)")).isVisible();
        button("Sweep this page again").click();
        assertThat(page.getByText("1 page captured.")).isVisible();

        moveTo("/p/2/gather");
        button("Fetch").click();
        page.getByRole(AriaRole.DIALOG)
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Test the import"))
                .click();
        assertThat(page.getByText("not in it any more")).containsText("0 not");
        page.keyboard().press("Escape");
        button("Paste rows").click();
        page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Rows"))
                .fill("listing id\ttitle\tcreated\nTBK-9001\tTide clock in larch\t03/04/2026\n\t\t03/05/2026\n");
        button("Preview").click();
        page.getByLabel("Leave all descriptions empty").check();
        page.getByLabel("Leave all tags empty").check();
        assertThat(button("Import")).isDisabled();
        page.getByLabel("Dates such as").selectOption("the day comes first");
        button("Test the import").click();
        assertThat(page.getByText("not in it any more")).isVisible();
        assertThat(page.getByText("line 3: there is no id, no address and no title"))
                .isVisible();
        button("Import").click();
        assertThat(total("1 item")).isVisible();
        button("Undo import").click();
        assertThat(total("180 items")).isVisible();
    }

    private void isAccessible(String what) {
        holdsTo("['wcag2a', 'wcag2aa', 'wcag21aa']", what);
    }

    /** The one rule that another colour scheme can break. */
    private void isReadable(String what) {
        holdsTo("{ type: 'rule', values: ['color-contrast'] }", what);
    }

    private void holdsTo(String rules, String what) {
        @SuppressWarnings("unchecked")
        Map<String, List<Map<String, Object>>> result = (Map<String, List<Map<String, Object>>>)
                page.evaluate("() => axe.run(document, { resultTypes: ['violations'], runOnly: " + rules + " })");
        List<String> violations = result.get("violations").stream()
                .map(violation -> violation.get("id") + ": "
                        + String.valueOf(violation.get("nodes")).replaceAll("(?s)^.*?html=(.{0,160}).*$", "$1"))
                .toList();
        assertThat(violations).as(what).isEmpty();
    }

    @Test
    void whatOpensOverAViewIsAccessible() throws IOException {
        page.navigate(address + "/p/1/rewrite");
        assertThat(page.locator("[role=row]").nth(2)).isVisible();
        page.evaluate(Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js")));
        button("Columns").click();
        assertThat(page.getByText("Reset columns")).isVisible();
        isAccessible("the menu of columns");
        page.keyboard().press("Escape");
        page.locator("[role=row]").nth(2).locator("[data-column=title]").click();
        assertThat(page.getByRole(AriaRole.COMPLEMENTARY)).isVisible();
        isAccessible("the close-up");
        page.keyboard().press("F2");
        isAccessible("the editor of a cell");
        page.keyboard().press("Escape");
        button("History").click();
        isAccessible("the history");
        page.keyboard().press("Escape");

        moveTo("/p/1/triage");
        button(Pattern.compile("^More for: ")).first().click();
        page.getByRole(AriaRole.MENUITEM, new Page.GetByRoleOptions().setName("Set aside"))
                .click();
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        isAccessible("setting a cause aside");

        moveTo("/p/1/triage?view=sets");
        button("New set").click();
        assertThat(page.getByLabel("Name", new Page.GetByLabelOptions().setExact(true)))
                .isVisible();
        isAccessible("the form of a set");

        moveTo("/");
        button("Add a client").click();
        assertThat(page.getByRole(AriaRole.DIALOG)).isVisible();
        isAccessible("the form of a client");

        moveTo("/p/2/gather");
        page.locator("input[type=file]")
                .setInputFiles(new FilePayload(
                        "shop.csv", "text/csv", "id;what it is\n1;Anchor rope\n".getBytes(StandardCharsets.UTF_8)));
        assertThat(page.getByText("No titles were found").first()).isVisible();
        isAccessible("the import of a file");
    }

    @Test
    void everyViewIsAccessible() throws IOException {
        page.navigate(address);
        page.evaluate(Files.readString(Path.of("../web/node_modules/axe-core/axe.min.js")));
        for (String view : List.of(
                "/",
                "/p/1/gather",
                "/p/1/aim",
                "/p/1/aim?side=better",
                "/p/1/aim?side=pages",
                "/p/1/aim?side=demand",
                "/p/1/aim?side=curve",
                "/p/1/aim?side=topics",
                "/p/1/aim?side=places",
                "/p/1/aim?side=brand",
                "/p/1/aim?side=reviews",
                "/p/1/aim?side=shared",
                "/p/2/aim?side=tags",
                "/p/2/aim?side=groups",
                "/p/1/triage",
                "/p/1/triage?view=costs",
                "/p/1/triage?view=checklist",
                "/p/1/triage?view=standard",
                "/p/1/triage?view=sets",
                "/p/1/triage?field=title&check=missing",
                "/p/1/rewrite?tool=recipe",
                "/p/1/release",
                "/p/1/watch",
                "/p/2/gather",
                "/p/3/gather",
                "/p/1/gather/compare")) {
            moveTo(view);
            isAccessible(view);
            // By turns from light to dark and from dark to light: of each view both are looked at.
            String other = "dark".equals(scheme()) ? "light" : "dark";
            button("Light or dark").click();
            assertThat(page.locator("html")).hasAttribute(SCHEME, other);
            isReadable(view + " when it is " + other);
        }
    }

    private String scheme() {
        return page.locator("html").getAttribute(SCHEME);
    }

    /** Goes to a view as the links of the interface do, which does not load all of it anew, and waits for what it shows. */
    private void moveTo(String view) {
        page.evaluate("""
                to => {
                  history.pushState(null, '', to);
                  dispatchEvent(new PopStateEvent('popstate'));
                  return new Promise(rendered => requestIdleCallback(rendered));
                }""", view);
        assertThat(page.locator("[aria-busy=true]")).hasCount(0);
    }

    /** Goes to a view of Aim, and waits for it: what is typed into Find before belongs to the view before. */
    private void view(String name) {
        Locator view =
                page.getByLabel("Views of Aim").getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(name));
        view.click();
        assertThat(view).hasAttribute("aria-current", "page");
    }

    private Locator button(Pattern name) {
        return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name));
    }

    private Locator rows(String text) {
        return page.getByRole(AriaRole.ROW).filter(new Locator.FilterOptions().setHasText(text));
    }

    private Locator cell(String path, String column) {
        Locator address =
                page.locator("[data-column=address]").getByText(path, new Locator.GetByTextOptions().setExact(true));
        return page.getByRole(AriaRole.ROW)
                .filter(new Locator.FilterOptions().setHas(address))
                .locator("[data-column=" + column + "]");
    }
}
