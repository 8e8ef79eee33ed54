package lucidsweep.server.release;

import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.nio.charset.StandardCharsets;
import lucidsweep.server.web.CsvText;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** One row a text. */
@Component
@Order(1)
final class CsvFormat implements HandoverFormat {

    @Override
    public String code() {
        return "csv";
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
            TextTable.write(lines, csv);
        }
    }
}
