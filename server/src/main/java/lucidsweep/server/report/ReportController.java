package lucidsweep.server.report;

import com.samskivert.mustache.Template;
import jakarta.validation.Valid;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.web.Templates;
import org.dhatim.fastexcel.Workbook;
import org.dhatim.fastexcel.Worksheet;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The report for the client, as one file that needs nothing else, or as a workbook. */
@RestController
@RequestMapping("/api/properties/{propertyId}")
class ReportController {

    private static final int LONGEST_NAME = 31;

    private final ClientReport reports;
    private final Template page = Templates.beside(ReportController.class, "report.html.mustache");

    ReportController(ClientReport reports) {
        this.reports = reports;
    }

    @PostMapping("/report.html")
    ResponseEntity<String> html(@PathVariable long propertyId, @Valid @RequestBody ReportForm form) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"report.html\"")
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(page.execute(reports.of(propertyId, form)));
    }

    @PostMapping("/report.xlsx")
    ResponseEntity<byte[]> workbook(@PathVariable long propertyId, @Valid @RequestBody ReportForm form)
            throws IOException {
        ByteArrayOutputStream workbook = new ByteArrayOutputStream();
        write(reports.of(propertyId, form), workbook);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"report.xlsx\"")
                .header(HttpHeaders.CONTENT_TYPE, "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet")
                .body(workbook.toByteArray());
    }

    private static void write(ClientReport.Report report, OutputStream out) throws IOException {
        try (Workbook workbook = new Workbook(out, "Lucid Sweep", "1.0")) {
            Worksheet first = workbook.newWorksheet(sheetName(report.heading()));
            List<String> lines = new ArrayList<>(List.of(report.heading(), report.subheading()));
            lines.addAll(report.lookedAt());
            for (ClientReport.Part part : new ClientReport.Part[] {report.cost(), report.done(), report.next()}) {
                if (part == null) continue;
                lines.add("");
                lines.add(part.heading());
                lines.addAll(part.sentences());
            }
            for (int i = 0; i < lines.size(); i++) first.value(i, 0, lines.get(i));
            if (report.found() != null) {
                Worksheet found = workbook.newWorksheet(sheetName(report.found().heading()));
                row(found, 0, report.found().columns());
                int at = 1;
                for (ClientReport.Row each : report.found().rows()) {
                    row(found, at++, List.of(each.what(), each.items(), each.clicks()));
                }
            }
            if (report.checks() != null) {
                Worksheet checks =
                        workbook.newWorksheet(sheetName(report.checks().heading()));
                row(checks, 0, report.checks().columns());
                int at = 1;
                for (ClientReport.CheckRow each : report.checks().rows()) {
                    row(checks, at++, List.of(each.what(), each.now(), each.before()));
                }
            }
        }
    }

    /** A heading as the name of a sheet, which is short and has none of some characters. */
    private static String sheetName(String heading) {
        String plain = heading.replaceAll("[\\[\\]:*?/\\\\']", " ").strip();
        return plain.length() <= LONGEST_NAME
                ? plain
                : plain.substring(0, LONGEST_NAME).strip();
    }

    private static void row(Worksheet sheet, int at, List<String> cells) {
        for (int column = 0; column < cells.size(); column++) sheet.value(at, column, cells.get(column));
    }
}
