package lucidsweep.server;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.ResourceBundle;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.Fix;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.dhatim.fastexcel.reader.ReadableWorkbook;
import org.dhatim.fastexcel.reader.Row;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;

/** The report for the client: one file that needs nothing else, in three languages. */
@ExtendWith(RunningApplication.class)
class ReportTest {

    private static Shop shop(Api api) {
        StringBuilder listings = new StringBuilder("listing id,title,description\n");
        StringBuilder demand = new StringBuilder("page,query,clicks,impressions,position,from,to\n");
        for (int i = 0; i < 80; i++) {
            String name = Integer.toString(i * 7919 + 131_071, 36);
            String title = i % 4 == 0 ? "Oak paddle <b>& co</b>" : "Paddle " + name + ", carved by hand of oak";
            listings.append("S%d,\"%s\",\"Paddle %s, oiled and signed by its maker in the shed by the sea\"%n"
                    .formatted(i, title, name));
            demand.append("S%d,query %d,%d,2000,4,2026-08-01,2026-10-30%n".formatted(i, i, i % 4 == 0 ? 90 : 180));
        }
        Shop shop = new Shop(api, listings.toString());
        shop.importDemand(demand.toString());
        return shop;
    }

    @Test
    void saysWhatWasFoundWhatItCostsAndWhatIsNextInTheLanguageOfTheClient(Api api) throws IOException {
        Shop shop = shop(api);
        shop.type("S0", "title", "Oak paddle number nought");
        String logo = "data:image/png;base64,iVBORw0KGgo=";
        Reply english = shop.post("/report.html", "{\"colour\":\"#123456\",\"logo\":\"" + logo + "\"}");
        assertThat(english.status()).isEqualTo(200);
        String html = english.body();
        assertThat(html)
                .contains("Tarrin Bay Kayaks: titles and descriptions in search")
                .contains("Items looked at: 80; of these can appear in search results: 80.")
                .contains("19 items share one title: “Oak paddle &lt;b&gt;&amp; co&lt;/b&gt;”.")
                .contains("--own: #123456")
                .contains("<img src=\"data:image/png;base64,iVBORw0KGgo")
                .contains("clicks a month (")
                .contains("Proposed")
                .contains("Oak paddle number nought")
                .contains("Texts drafted that wait to be delivered: 1.")
                .doesNotContain("<script")
                .doesNotContain("<b>& co")
                .doesNotContain("http://", "https://", "{{");
        String german = shop.post("/report.html", "{\"language\":\"de\",\"sections\":[\"found\"]}")
                .body();
        assertThat(german)
                .contains("<html lang=\"de\">")
                .contains("Titel: mehrfach verwendet")
                .doesNotContain("Was getan wurde");
        assertThat(shop.post("/report.html", "{\"language\":\"fr\"}").body()).contains("Ce qui a été trouvé");
        assertThat(shop.post("/report.html", "{\"language\":\"xx\"}").status()).isEqualTo(422);
        assertThat(shop.post("/report.html", "{\"colour\":\"red;}</style>\"}").status())
                .isEqualTo(422);
        assertThat(shop.post("/report.html", "{\"logo\":\"data:image/svg+xml;base64,PHN2Zy8+\"}")
                        .status())
                .isEqualTo(422);

        byte[] workbook = api.postBytes("/api/properties/" + shop.property() + "/report.xlsx", "{}");
        try (ReadableWorkbook sheets = new ReadableWorkbook(new ByteArrayInputStream(workbook))) {
            List<Row> causes = sheets.getSheet(1).orElseThrow().read();
            assertThat(causes.get(1).getCellText(0)).startsWith("19 items share one title");
            assertThat(sheets.getSheet(2).orElseThrow().read()).hasSizeGreaterThan(1);
        }
    }

    @Test
    void everyCheckAndFixHasItsWordsInEveryLanguage() {
        List<String> wanted = new ArrayList<>();
        Checks.codes().forEach(code -> wanted.add("check." + code));
        for (Fix fix : Fix.values()) wanted.add("fix." + fix);
        for (String language : List.of("de", "fr")) {
            ResourceBundle words =
                    ResourceBundle.getBundle("lucidsweep.server.report.report", Locale.forLanguageTag(language));
            assertThat(words.getLocale().getLanguage()).isEqualTo(language);
            ResourceBundle english = ResourceBundle.getBundle(
                    "lucidsweep.server.report.report",
                    Locale.ROOT,
                    ResourceBundle.Control.getNoFallbackControl(ResourceBundle.Control.FORMAT_DEFAULT));
            assertThat(words.keySet()).containsAll(wanted).containsAll(english.keySet());
            for (String key : english.keySet()) {
                assertThat(words.getString(key).getBytes(UTF_8)).as(key).isNotEmpty();
            }
        }
    }
}
