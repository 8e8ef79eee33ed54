package lucidsweep.server.report;

import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.Set;

/**
 * How a report is wanted.
 *
 * @param language en, de or fr; null for English
 * @param colour of headings and bars, such as "#7a1f5c"; null for ours
 * @param logo a picture as a data address; null for none
 * @param sections those that are wanted; null for all
 */
public record ReportForm(
        @Pattern(regexp = "en|de|fr", message = "expected en, de or fr")
        String language,

        @Pattern(regexp = "#[0-9a-fA-F]{6}", message = "expected a colour such as #7a1f5c")
        String colour,

        @Size(max = 700_000, message = "may have half a megabyte")
        @Pattern(
                regexp = "data:image/(png|jpeg|gif|webp);base64,[A-Za-z0-9+/=]+",
                message = "expected a PNG, JPEG, GIF or WebP picture")
        String logo,

        Set<ReportSection> sections) {

    private static final String PLUM = "#6d1d5a";

    String languageOrEnglish() {
        return language == null ? "en" : language;
    }

    String colourOrOurs() {
        return colour == null ? PLUM : colour;
    }

    boolean has(ReportSection section) {
        return sections == null || sections.contains(section);
    }
}
