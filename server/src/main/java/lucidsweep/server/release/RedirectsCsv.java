package lucidsweep.server.release;

import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import lucidsweep.server.web.CsvText;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** From where to where. */
@Component
@Order(6)
final class RedirectsCsv implements RedirectFormat {

    @Override
    public String code() {
        return "redirects";
    }

    @Override
    public String ending() {
        return "csv";
    }

    @Override
    public String mediaType() {
        return "text/csv; charset=utf-8";
    }

    @Override
    public void write(HandoverLines lines, OutputStream out) {
        try (CsvText csv = CsvText.faithful(new OutputStreamWriter(out, StandardCharsets.UTF_8))) {
            csv.row("from", "to");
            lines.redirects().forEach(redirect -> csv.row(redirect.from(), redirect.to()));
        }
    }
}
