package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import lucidsweep.core.alike.Series;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.PageLanguage;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.Noindex;
import lucidsweep.core.page.PageReader;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.CommonPart;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** Every check against the cases of checks.csv: what it finds, what it leaves alone, and that it is there. */
class ChecksTest {

    private static final Words ENGLISH = Words.in("en");
    private static final InspectionContext AROUND = new InspectionContext(
            Standard.ofPages(),
            List.of(
                    new CommonPart(CommonPart.Side.END, " | Tarrin Bay Kayaks, all year", 80, 260),
                    new CommonPart(CommonPart.Side.START, "Our boat shed and shop: ", 90, 212),
                    new CommonPart(CommonPart.Side.START, "Tarrin Bay Kayaks – ", 70, 190)),
            Set.of("tarrin bay kayaks"),
            new PlacesNamed(List.of("Gull Cove", "Fennick")),
            new TagUse(Set.of("boat"), Set.of("sea violin")),
            2026);
    private static final int COLUMNS = 12;
    private static final Pattern NOTE = Pattern.compile("<(alike |near |series )?(\\d+)>(.*)");

    /** A case: what a check says of an item, "-" for nothing; parts that are empty are as on a page without faults. */
    record Case(
            String check,
            String evidence,
            String title,
            String description,
            String h1,
            String tags,
            String keyword,
            String address,
            String noindex,
            String html,
            String links,
            String siteNote) {

        private InspectedItem item() {
            boolean page = tags.isEmpty();
            return new InspectedItem(
                    InspectedAddress.of(address.isEmpty() ? "https://bay.example/hire" : address),
                    noindex.isEmpty() ? Optional.empty() : Optional.of(new Noindex(Noindex.Reason.NOINDEX, "noindex")),
                    text(Field.TITLE, title, "Kayak hire by the hour in Gull Cove"),
                    text(
                            Field.DESCRIPTION,
                            description,
                            "Hire a kayak in Gull Cove for two hours, half a day or a whole week."),
                    text(Field.H1, h1, "Hire in Gull Cove"),
                    page ? null : tags.equals("<none>") ? List.of() : List.of(tags.split(", ")),
                    keyword.isEmpty() ? Optional.empty() : Optional.of(Phrase.of(keyword, ENGLISH)),
                    notes(),
                    linkedBy(),
                    links.equals("searched"),
                    new PageLanguage("en", "", ""),
                    Exempt.NOTHING);
        }

        private PageNotes notes() {
            String own = html.isEmpty()
                    ? ""
                    : PageNotes.of(
                            PageReader.read(Jsoup.parse(html), URI.create("https://bay.example/hire")),
                            "https://bay.example/hire");
            return PageNotes.read(siteNote.isEmpty() ? own : own + check + "\t" + siteNote + "\n");
        }

        /** Of "12: kayaks | boats": so many links and their texts. */
        private Inbound linkedBy() {
            int colon = links.indexOf(": ");
            if (colon < 0) return Inbound.NONE;
            return new Inbound(
                    Integer.parseInt(links.substring(0, colon)),
                    List.of(links.substring(colon + 2).split(" \\| ")));
        }

        private InspectedText text(Field field, String given, String good) {
            if (field == Field.H1 && !tags.isEmpty()) return text(field, -1, "", Alike.NONE);
            Matcher note = NOTE.matcher(given);
            if (!note.matches()) return text(field, 1, given.isEmpty() ? good : given, Alike.NONE);
            int number = Integer.parseInt(note.group(2));
            String text = note.group(3);
            if (note.group(1) == null) return text(field, number, text, Alike.NONE);
            Alike alike = switch (note.group(1).strip()) {
                case "alike" -> new Alike(number, "/twin", Optional.empty(), Optional.empty());
                case "near" ->
                    new Alike(
                            1,
                            "",
                            Optional.of(new Alike.NearText("/twin", number / 100.0, "another text")),
                            Optional.empty());
                default -> new Alike(1, "", Optional.empty(), Optional.of(new Series("Hire in …", number)));
            };
            return text(field, 1, text, alike);
        }

        private static InspectedText text(Field field, int count, String text, Alike alike) {
            return new InspectedText(field, count, text, ENGLISH, alike);
        }
    }

    static Stream<Case> cases() throws IOException {
        try (InputStream in = ChecksTest.class.getResourceAsStream("checks.csv")) {
            String all = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            return all.lines()
                    .skip(1)
                    .map(ChecksTest::cells)
                    .map(cell -> new Case(
                            cell[0], cell[1], cell[2], cell[3], cell[4], cell[5], cell[6], cell[7], cell[8], cell[9],
                            cell[10], cell[11]));
        }
    }

    private static String[] cells(String line) {
        Matcher cell =
                Pattern.compile("\"((?:[^\"]|\"\")*)\"(?:,|$)|([^,]*)(?:,|$)").matcher(line);
        String[] cells = cell.results()
                .limit(COLUMNS)
                .map(found ->
                        found.group(1) == null ? found.group(2) : found.group(1).replace("\"\"", "\""))
                .toArray(String[]::new);
        String[] all = new String[COLUMNS];
        Arrays.fill(all, "");
        System.arraycopy(cells, 0, all, 0, cells.length);
        return all;
    }

    @ParameterizedTest
    @MethodSource("cases")
    void findsWhatItShouldAndNothingElse(Case given) {
        String[] id = given.check().split(" ");
        Check check = Checks.of(Field.valueOf(id[0].toUpperCase(Locale.ROOT)), id[1]);
        List<Finding> found = new ArrayList<>();
        check.look(given.item(), AROUND, found::add);
        if (given.evidence().equals("-")) assertThat(found).isEmpty();
        else
            assertThat(found)
                    .singleElement()
                    .satisfies(finding -> assertThat(finding.evidence()).contains(given.evidence()));
    }

    @Test
    void everyCheckHasCasesOfBothKinds() throws IOException {
        Set<String> ids = Checks.all().stream().map(Check::id).collect(Collectors.toCollection(TreeSet::new));
        for (boolean finds : new boolean[] {true, false}) {
            assertThat(cases().filter(each -> each.evidence().equals("-") != finds)
                            .map(Case::check))
                    .containsAll(ids);
        }
        assertThat(ids).hasSameSizeAs(Checks.all());
    }

    @Test
    void everyCheckSpeaksInSentences() {
        for (Check check : Checks.all()) {
            assertThat(check.says(1, "")).as(check.id()).matches("1 .*\\.");
            assertThat(check.says(2_123, " in /tours/")).as(check.id()).matches("2,123 \\w.*s in /tours/ .*\\.");
            assertThat(check.label()).as(check.id()).isNotBlank();
        }
    }

    @Test
    void whatIsOffAndWhatIsExemptIsLeftAlone() {
        Case home = new Case("", "", "Home", "<0>", "", "", "", "", "", "", "", "");
        List<String> found = new Inspection(AROUND)
                .of(home.item()).stream().map(finding -> finding.check().id()).toList();
        assertThat(found)
                .contains("title generic", "title too-short", "description missing")
                .doesNotContain("title brand-missing");
        Exempt title = new Exempt(Set.of(Field.TITLE), Set.of());
        assertThat(new Inspection(AROUND).of(exempt(home.item(), title)))
                .extracting(Finding::field)
                .doesNotContain(Field.TITLE);
        Exempt generic = new Exempt(Set.of(), Set.of("title generic"));
        assertThat(new Inspection(AROUND).of(exempt(home.item(), generic)))
                .extracting(finding -> finding.check().id())
                .contains("title too-short")
                .doesNotContain("title generic");
    }

    private static InspectedItem exempt(InspectedItem item, Exempt exempt) {
        return new InspectedItem(
                item.address(),
                item.noindex(),
                item.title(),
                item.description(),
                item.h1(),
                item.tags(),
                item.keyword(),
                item.notes(),
                item.inbound(),
                item.searched(),
                item.language(),
                exempt);
    }

    /** Whatever is written somewhere, no check fails or takes long. */
    @ParameterizedTest
    @MethodSource("hostile")
    void nothingFailsOnOddTexts(String text) {
        Case odd = new Case("", "", text, text, text, text, text, text, "", text, "12: " + text, "");
        Case page = new Case(
                "", "", text, text, text, "", "", "https://bay.example/" + text, "", "<a href=x>" + text, "", "");
        assertThat(Stream.of(odd, page).flatMap(each -> new Inspection(AROUND).of(each.item()).stream()))
                .allSatisfy(finding -> assertThat(finding.evidence()).isNotBlank());
    }

    static Stream<String> hostile() {
        return Arrays.stream(new String[] {
            "\u0000\u0001\u202e\u200b",
            "🛶".repeat(5_000),
            "%".repeat(10_000),
            "{{".repeat(5_000),
            "<a ".repeat(3_000),
            "מפרץ תרין קיאקים",
            "\ud83d",
            "a, ".repeat(3_000),
            "2024 ".repeat(2_000),
            "e\u0301".repeat(5_000),
            "-",
            "//////",
        });
    }
}
