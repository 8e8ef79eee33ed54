package lucidsweep.server.release.review;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Base64;
import tools.jackson.databind.json.JsonMapper;

/**
 * A review sheet as one HTML file that needs nothing else. Its texts stand in it as data; a policy of the page lets no script run
 * but its own, whatever stands in a text, and nothing be fetched.
 */
final class ReviewSheetPage {

    private static final String STYLE = resource("sheet.css");
    private static final String SCRIPT = resource("sheet.js");
    private static final String POLICY = "default-src 'none'; style-src 'unsafe-inline'; script-src 'sha256-"
            + sha256(SCRIPT) + "'; base-uri 'none'; form-action 'none'";

    private ReviewSheetPage() {}

    static String of(ReviewSheet sheet, JsonMapper json) {
        // In data that no "<" stands in no end of the element can stand either.
        String data = json.writeValueAsString(sheet).replace("<", "\\u003c");
        return """
                <!doctype html>
                <html lang="en">
                <head>
                <meta charset="utf-8">
                <meta http-equiv="Content-Security-Policy" content="%s">
                <meta name="viewport" content="width=device-width, initial-scale=1">
                <title>Texts to review</title>
                <style>%s</style>
                </head>
                <body>
                <main></main>
                <script type="application/json" id="sheet">%s</script>
                <script>%s</script>
                </body>
                </html>
                """.formatted(POLICY, STYLE, data, SCRIPT);
    }

    private static String resource(String name) {
        try (InputStream in = ReviewSheetPage.class.getResourceAsStream("/review/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String sha256(String script) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256").digest(script.getBytes(StandardCharsets.UTF_8));
            return Base64.getEncoder().encodeToString(hash);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
