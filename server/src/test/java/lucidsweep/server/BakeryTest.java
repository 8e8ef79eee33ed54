package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import lucidsweep.server.RunningApplication.Api;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/**
 * Another business than the demo's, in another language: a bakery with a German and a small French part. Each page has one fault
 * or none; what is found is that and nothing else.
 */
@ExtendWith(RunningApplication.class)
class BakeryTest {

    private static final String COPY =
            "<p>Wir backen jeden Morgen von Hand und mit der Geduld, die ein guter Teig nun einmal braucht.</p>";
    private static final String COPY_FR =
            "<p>Nous cuisons chaque matin à la main, avec la patience que la pâte demande pour être bonne.</p>";

    private final Map<String, String> pages = new TreeMap<>();
    private final List<String> planted = new ArrayList<>();

    private void page(String path, String language, String title, String description, String head, String body) {
        String lang = language.isEmpty() ? "" : " lang=\"" + language + "\"";
        String h1 = body.contains("<h1") ? "" : "<h1>" + title.replaceFirst(" – .*", "") + "</h1>";
        pages.put(
                path,
                "<!doctype html><html" + lang + "><head><meta charset=utf-8><title>" + title
                        + "</title><meta name=description content=\"" + description + "\">" + head + "</head><body>"
                        + h1
                        + body + (language.equals("fr") ? COPY_FR : COPY) + "</body></html>");
    }

    private void fault(String path, String finding) {
        planted.add(path + " " + finding);
    }

    private void plant() {
        page(
                "/",
                "de",
                "Bäckerei Ofenglut in Hagenau: Brot aus Sauerteig",
                "Brot, Brötchen und Kuchen aus unserer Backstube in Hagenau, jeden Morgen frisch und von Hand geformt.",
                "",
                links());
        page(
                "/brot/roggenbrot/",
                "de",
                "Roggenbrot mit langer Teigruhe – Ofenglut",
                "Unser Roggenbrot ruht zwei Tage, wird mit Sauerteig geführt und hält sich eine ganze Woche lang frisch.",
                "",
                "");
        page(
                "/brot/dinkelbrot/",
                "de",
                "Dinkelbrot aus dem Holzofen – Ofenglut",
                "We bake our spelt loaf in the wood oven, and it is on the shelf by seven in the morning for all of you.",
                "",
                "");
        fault("/brot/dinkelbrot/", "description other-language");
        page(
                "/brot/startseite/",
                "de",
                "Startseite",
                "Alles über unser Brot: woher das Mehl kommt, wer es mahlt und warum wir ihm so viel Zeit lassen.",
                "",
                "");
        fault("/brot/startseite/", "title generic");
        fault("/brot/startseite/", "title too-short");
        page(
                "/kuchen/apfelkuchen/",
                "de",
                "Apfelkuchen vom Blech mit Streuseln – Ofenglut",
                "Saure Äpfel aus dem Tal, ein mürber Boden und viel Zimt: unser Blechkuchen für den Sonntagstisch.",
                "",
                "<a href=\"/brot/roggenbrot/\">mehr erfahren</a>");
        fault("/kuchen/apfelkuchen/", "links generic");
        page(
                "/kuchen/kaesekuchen/",
                "",
                "Käsekuchen ohne Boden nach altem Rezept – Ofenglut",
                "Quark, Eier und ein wenig Zitrone: der Kuchen, nach dem die halbe Straße an jedem Freitag fragt.",
                "",
                "");
        page(
                "/fr/pain-de-seigle/",
                "fr",
                "Pain de seigle au levain, cuit chaque matin – Ofenglut",
                "Notre pain de seigle repose deux jours, lève au levain et se garde une semaine dans un linge propre.",
                "<link rel=alternate hreflang=de href=\"/brot/roggenbrot/\">",
                "");
        fault("/fr/pain-de-seigle/", "head no-return");
        page(
                "/alt/roggenbrot-alt/",
                "de",
                "Roggenbrot, wie es früher hieß – Ofenglut",
                "So stand unser Roggenbrot auf der alten Karte, die im Laden neben der Tür hing, bis sie verblich.",
                "<link rel=canonical href=\"/weg\">",
                "");
        fault("/alt/roggenbrot-alt/", "indexing not-indexable");
        fault("/alt/roggenbrot-alt/", "indexing canonical-broken");
    }

    private String links() {
        StringBuilder links = new StringBuilder("<nav>");
        for (String path : List.of(
                "/brot/roggenbrot/",
                "/brot/dinkelbrot/",
                "/brot/startseite/",
                "/kuchen/apfelkuchen/",
                "/kuchen/kaesekuchen/",
                "/fr/pain-de-seigle/",
                "/alt/roggenbrot-alt/",
                "/weg"))
            links.append("<a href=\"")
                    .append(path)
                    .append("\">")
                    .append(path.replaceAll(".*/(?=.)|/", ""))
                    .append("</a> ");
        return links + "</nav>";
    }

    @Test
    void findsWhatWasPlantedInAnotherLanguageAndNothingElse(Api api) {
        plant();
        try (Site site = new Site()) {
            pages.forEach((path, html) -> site.html(path, html));
            long property = api.property("website", site.address(), true, "Hagenau");
            assertThat(api.sweep(property).path("state").asString()).isEqualTo("done");
            String path = "/api/properties/" + property;
            JsonNode other = api.get(path + "/language").json().path("other");
            assertThat(other.path("code").asString()).isEqualTo("de");
            assertThat(other.path("items").asInt()).isEqualTo(5);

            JsonNode kept = api.get(path + "/standing").json().path("property");
            api.method(
                    "PUT",
                    path,
                    "{\"clientId\":%d,\"kind\":\"website\",\"name\":\"Ofenglut\",\"address\":\"%s\",\"language\":\"de\",\"privateAllowed\":true}"
                            .formatted(kept.path("clientId").asLong(), site.address()));
            for (JsonNode job : api.get(path + "/jobs").json())
                api.ended(job.path("id").asLong());
            assertThat(api.get(path + "/language").json().path("other").isNull())
                    .isTrue();
            assertThat(found(api, path, site.address())).containsExactlyInAnyOrderElementsOf(planted);
        }
    }

    private static List<String> found(Api api, String path, String base) {
        List<String> found = new ArrayList<>();
        for (JsonNode row : api.get(path + "/items?count=100").json().path("rows")) {
            for (JsonNode finding : row.path("findings")) {
                found.add(row.path("address").asString().substring(base.length() - 1) + " "
                        + finding.path("field").asString() + " "
                        + finding.path("check").asString());
            }
        }
        return found;
    }
}
