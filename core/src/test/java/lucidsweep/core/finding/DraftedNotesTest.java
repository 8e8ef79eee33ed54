package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URI;
import java.util.List;
import java.util.stream.Collectors;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.page.PageReader;
import org.jsoup.Jsoup;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What is drafted for images, links and sharing is looked at as if it stood on the page. */
class DraftedNotesTest {

    private static final String ADDRESS = "https://tarrin.example/oars";

    private static PageNotes notes(String body) {
        String html = "<html><head></head><body>" + body + "</body></html>";
        PageFacts page = PageReader.read(Jsoup.parse(html, ADDRESS), URI.create(ADDRESS));
        return PageNotes.read(PageNotes.of(page, ADDRESS));
    }

    private static List<String> noted(PageNotes notes, String field) {
        return Checks.all().stream()
                .filter(check -> check.id().startsWith(field + " ") && notes.of(check) != null)
                .map(Check::code)
                .filter(code -> !code.equals("shared-other"))
                .sorted()
                .collect(Collectors.toList());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "/a.jpg;/b.jpg>Oars|missing",
                "/a.jpg>IMG_2041;/b.jpg>Oars|file-name",
                "/a.jpg>Oars of ash;/b.jpg>Oars|",
                "/a.jpg>;/b.jpg>|",
                "/a.jpg>Oar;/b.jpg>Oar;/c.jpg>Oar|repeated",
            })
    void imagesAreLookedAtWithTheirNewTexts(String drafted, String found) {
        PageNotes before = notes("<img src='/a.jpg'><img src='/b.jpg' alt='IMG_2040'><p>Our oars.</p>");
        assertThat(noted(before, "images")).containsExactly("file-name", "missing");
        PageNotes after = before.withImages(drafted.replace(';', '\n').replace('>', '\t'), ADDRESS);
        assertThat(noted(after, "images")).isEqualTo(found == null ? List.of() : List.of(found));
        assertThat(before.withImages(null, ADDRESS)).isSameAs(before);
    }

    @ParameterizedTest
    @CsvSource({
        "Oars of ash, Turned in the shed, ''",
        "Oars of ash, , shared-incomplete",
        ", Turned in the shed, shared-incomplete",
        "'', '', shared-missing",
    })
    void sharingIsLookedAtWithWhatIsDrafted(String title, String description, String found) {
        PageNotes after = notes("<p>Our oars.</p>").withShared(title, description, ADDRESS);
        assertThat(noted(after, "head")).isEqualTo(found.isEmpty() ? List.of() : List.of(found));
    }
}
