package lucidsweep.server.rewrite.sheet;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.Selection;
import lucidsweep.server.rewrite.Batch;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api/properties/{propertyId}/writers-sheets")
class SheetController {

    private static final String XLSX = "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet";
    private static final int LONGEST_NAME = 100;

    /** More are no work for people with a sheet. */
    private static final int MAX_ITEMS = 20_000;

    private final WritersSheets sheets;
    private final Items items;

    SheetController(WritersSheets sheets, Items items) {
        this.sheets = sheets;
        this.items = items;
    }

    /** Which texts of which items go out. */
    record SheetForm(
            @Valid @NotNull Selection selection,

            @NotEmpty(message = "are needed") List<@NotNull Field> fields) {}

    /** Whether texts that were changed here, too, are overwritten. */
    record TakeForm(boolean overwrite) {}

    @PostMapping("/texts.xlsx")
    ResponseEntity<byte[]> workbook(@PathVariable long propertyId, @Valid @RequestBody SheetForm form)
            throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SheetFile.workbook(out, form.fields(), lines(propertyId, form));
        return download("texts.xlsx", XLSX, out);
    }

    @PostMapping("/texts.csv")
    ResponseEntity<byte[]> csv(@PathVariable long propertyId, @Valid @RequestBody SheetForm form) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        SheetFile.csv(out, form.fields(), lines(propertyId, form));
        return download("texts.csv", "text/csv; charset=utf-8", out);
    }

    private SheetFile.Lines lines(long propertyId, SheetForm form) {
        for (Field field : form.fields()) {
            if (!SheetHeader.FIELDS.contains(field)) {
                throw Refusal.badInput("the " + field.label() + " is not written in a sheet");
            }
        }
        long[] ids = form.selection().resolve(propertyId, items);
        if (ids.length > MAX_ITEMS) {
            throw Refusal.badInput("expected at most 20,000 items in a sheet, got " + ids.length);
        }
        return sheets.lines(propertyId, ids, form.fields());
    }

    private static ResponseEntity<byte[]> download(String name, String type, ByteArrayOutputStream out) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .header(HttpHeaders.CONTENT_TYPE, type)
                .body(out.toByteArray());
    }

    /** Looks at a sheet that came back; nothing is changed yet. */
    @PostMapping(consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    WritersSheets.SheetView look(@PathVariable long propertyId, @RequestParam MultipartFile file) throws IOException {
        Path stored = Files.createTempFile("sheet", ".xlsx");
        try {
            file.transferTo(stored);
            return sheets.look(propertyId, name(file.getOriginalFilename()), table(stored));
        } finally {
            Files.delete(stored);
        }
    }

    /** Of a workbook the sheet that went out, whatever else stands in it by then. */
    private static TableFile table(Path file) {
        TableFile table = TableFile.of(file);
        return table.sheets().contains(SheetFile.TEXTS) ? TableFile.of(file, SheetFile.TEXTS) : table;
    }

    private static String name(String given) {
        String name = given == null || given.isBlank() ? "sheet" : given;
        return name.length() <= LONGEST_NAME ? name : name.substring(0, LONGEST_NAME);
    }

    @PostMapping("/{token}/take")
    Batch take(@PathVariable long propertyId, @PathVariable String token, @RequestBody TakeForm form) {
        return sheets.take(propertyId, token, form.overwrite());
    }
}
