package lucidsweep.core.finding;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import org.junit.jupiter.api.Test;

/** docs/checks.md says what the checks say of themselves; where it does not, it is written anew and the test fails once. */
class ChecksDocumentTest {

    private static final Path DOCUMENT = Path.of("../docs/checks.md");

    @Test
    void saysWhatTheChecksAre() throws IOException {
        String wanted = document();
        String there = Files.exists(DOCUMENT) ? Files.readString(DOCUMENT) : "";
        if (!there.equals(wanted)) Files.writeString(DOCUMENT, wanted);
        assertThat(there)
                .as("docs/checks.md was out of date and has been written anew")
                .isEqualTo(wanted);
    }

    private static String document() {
        StringBuilder text = new StringBuilder("""
                # Checks

                What the texts of an item are held to, made from the checks themselves (`core/…/finding`). Limits are those of a
                website, of listings and of videos, where they differ; “off” is a check that is there but not used unless a standard turns it on.
                “Costs” says what a fault costs first: appeal is how often a result that is shown is clicked, reach is how high
                it stands.
                """);
        for (Field field : Field.values()) {
            if (Checks.all().stream().noneMatch(check -> check.field() == field)) continue;
            text.append("\n## ").append(capital(field.label())).append("\n\n");
            text.append("| check | what it finds | limit | costs | fix |\n|---|---|---|---|---|\n");
            Checks.all().stream().filter(check -> check.field() == field).forEach(check -> row(check, text));
        }
        return text.toString();
    }

    private static void row(Check check, StringBuilder text) {
        List<String> limits = Stream.of(Standard.ofPages(), Standard.ofListings(), Standard.ofVideos())
                .map(standard -> limit(check, standard))
                .toList();
        boolean same = new HashSet<>(limits).size() == 1;
        text.append("| `").append(check.code()).append("` | ");
        text.append(check.says(2, "").replaceFirst("^2 ", "").replaceFirst("\\.$", ""))
                .append(" | ");
        text.append(same ? limits.get(0) : String.join("; ", limits)).append(" | ");
        text.append(check.cost().name().toLowerCase(Locale.ROOT))
                .append(" | ")
                .append(check.fix())
                .append(" |\n");
    }

    private static String limit(Check check, Standard standard) {
        return standard.off().contains(check.id()) ? "off" : check.limit(standard);
    }

    private static String capital(String label) {
        return label.substring(0, 1).toUpperCase(Locale.ROOT) + label.substring(1);
    }
}
