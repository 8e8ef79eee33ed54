package lucidsweep.server.release;

import java.io.IOException;
import java.io.OutputStream;
import lucidsweep.server.web.XlsxText;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The same table as a workbook, whose cells are texts and never formulas. */
@Component
@Order(2)
final class XlsxFormat implements HandoverFormat {

    @Override
    public String code() {
        return "xlsx";
    }

    @Override
    public String ending() {
        return "xlsx";
    }

    @Override
    public String mediaType() {
        return XlsxText.TYPE;
    }

    @Override
    public void write(HandoverLines lines, OutputStream out) throws IOException {
        try (XlsxText workbook = new XlsxText(out)) {
            TextTable.write(lines, workbook);
        }
    }
}
