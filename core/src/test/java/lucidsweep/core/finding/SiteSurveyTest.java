package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.page.Noindex;
import org.junit.jupiter.api.Test;

/** What pages say of each other: a small site in which each fault is planted once. */
class SiteSurveyTest {

    private final List<SiteSurvey.Page> pages = new ArrayList<>();

    private void page(String path, Noindex noindex, String text, String alternates, boolean inSitemap) {
        String notes = alternates.isEmpty() ? "" : "alternates\t" + alternates + "\n";
        pages.add(new SiteSurvey.Page(
                pages.size() + 1L,
                "https://bay.example" + path,
                noindex,
                text,
                text + " heading",
                PageNotes.read(notes),
                inSitemap));
    }

    private static Noindex canonical(String to) {
        return new Noindex(Noindex.Reason.CANONICAL, "https://bay.example" + to);
    }

    @Test
    void findsWhatPagesSayOfEachOtherAndNothingElse() {
        page("/", null, "Home", "", true);
        page("/hire", null, "Hire", "https://bay.example/hire /de/hire /fr/hire /nowhere", true);
        page("/de/hire", null, "Verleih", "/hire /de/hire", true);
        page("/fr/hire", null, "Location", "", true);
        page("/tours", null, "Tours", "", true);
        page("/tours-2", null, "tours!", "", true);
        page(
                "/tours?from=home",
                new Noindex(Noindex.Reason.SAME_PAGE, "https://bay.example/tours"),
                "Tours",
                "",
                false);
        page("/draft", new Noindex(Noindex.Reason.NOINDEX, "noindex"), "Hire", "", true);
        page("/rota", new Noindex(Noindex.Reason.NOINDEX, "noindex"), "Staff", "", false);
        page("/old-boats", canonical("/boats-gone"), "Boats", "", false);
        page("/old-oars", canonical("/moved"), "Oars", "", false);
        page("/old-draft", canonical("/draft"), "Draft", "", false);
        page("/hire?sort=price", canonical("/hire"), "Hire", "", false);
        page("/paddles", canonical("/hire"), "Paddles", "", false);
        page("/unknown", canonical("/never-seen"), "Unknown", "", false);

        SiteSurvey survey = new SiteSurvey();
        survey.elsewhere("https://bay.example/boats-gone", "it answers 404");
        survey.elsewhere("https://bay.example/moved", "it redirects to https://bay.example/oars");
        pages.forEach(survey::add);
        Map<Long, String> addresses =
                pages.stream().collect(Collectors.toMap(SiteSurvey.Page::id, SiteSurvey.Page::address));
        Map<Long, String> notes =
                survey.notes(ids -> ids.stream().collect(Collectors.toMap(Function.identity(), addresses::get)));

        TreeSet<String> found = new TreeSet<>();
        notes.forEach((id, lines) -> lines.lines()
                .forEach(line -> found.add(
                        (addresses.get(id) + " " + line.replace('\t', ':')).replace("https://bay.example", ""))));
        assertThat(found)
                .containsExactlyInAnyOrder(
                        "/hire head no-return:not named in return by /fr/hire",
                        "/tours h1 duplicate:the same as /tours-2",
                        "/tours-2 h1 duplicate:the same as /tours",
                        "/tours slug several:it answers at another address, too",
                        "/draft indexing in-sitemap:the sitemap lists it, but it asks not to be indexed (noindex)",
                        "/old-boats indexing canonical-broken:/boats-gone: it answers 404",
                        "/old-oars indexing canonical-broken:/moved: it redirects to /oars",
                        "/old-draft indexing canonical-broken:/draft: it asks not to be indexed (noindex)",
                        "/paddles indexing canonical-other:it gives way to /hire");
    }
}
