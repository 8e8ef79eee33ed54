package lucidsweep.server.command;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Base64;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** Asks the running application for the report of a property. */
@Command(name = "report", description = "Writes the report of a property for the client, while the application runs.")
final class ReportCommand implements Callable<Integer> {

    @Mixin
    private PropertyOption property;

    @Option(names = "--out", required = true, paramLabel = "FILE", description = "ends in .html or .xlsx")
    private Path out;

    @Option(names = "--language", paramLabel = "CODE", description = "en, de or fr; default: en")
    private String language;

    @Option(names = "--colour", paramLabel = "#RRGGBB", description = "of headings and bars")
    private String colour;

    @Option(names = "--logo", paramLabel = "FILE", description = "a PNG, JPEG, GIF or WebP picture")
    private Path logo;

    @Option(names = "--watch", description = "the week of its client instead: clicks, moves, effects, what is due")
    private boolean watch;

    @Override
    public Integer call() throws IOException, InterruptedException {
        String name = out.getFileName().toString();
        if (!name.endsWith(".html") && !name.endsWith(".xlsx")) {
            throw new Unusable("--out: expected a file that ends in .html or .xlsx, got " + out);
        }
        RunningApi api = property.api();
        if (watch) {
            if (!name.endsWith(".html")) throw new Unusable("--out: the week is an .html file, got " + out);
            api.download("/api/clients/" + api.clientOf(property.path(api)) + "/digest.html", out);
            System.out.println(out);
            return 0;
        }
        api.download(property.path(api) + "/report" + name.substring(name.lastIndexOf('.')), form(), out);
        System.out.println(out);
        return 0;
    }

    private Map<String, String> form() throws IOException {
        Map<String, String> form = new HashMap<>();
        form.put("language", language);
        form.put("colour", colour);
        if (logo != null) {
            if (!Files.isReadable(logo)) throw new Unusable("cannot read the file " + logo);
            String kind = logo.toString()
                    .replaceAll(".*\\.", "")
                    .toLowerCase(Locale.ROOT)
                    .replace("jpg", "jpeg");
            String picture = Base64.getEncoder().encodeToString(Files.readAllBytes(logo));
            form.put("logo", "data:image/" + kind + ";base64," + picture);
        }
        return form;
    }
}
