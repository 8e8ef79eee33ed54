package lucidsweep.server.gather.imports;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import lucidsweep.core.column.RowKind;
import lucidsweep.server.gather.sweep.Sweep;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;

@RestController
@RequestMapping("/api")
class ImportController {

    private final ImportPlans plans;
    private final Imports imports;

    ImportController(ImportPlans plans, Imports imports) {
        this.plans = plans;
        this.imports = imports;
    }

    @PostMapping(path = "/properties/{propertyId}/imports", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ImportPlan plan(@PathVariable long propertyId, @RequestParam MultipartFile file) throws IOException {
        String name = file.getOriginalFilename() == null ? "a file" : file.getOriginalFilename();
        try (InputStream content = file.getInputStream()) {
            return plans.plan(propertyId, name, content);
        }
    }

    /** Rows as they were pasted. */
    record Pasted(
            @NotNull @Size(max = 20_000_000, message = "may have 20,000,000 characters")
            String text) {}

    @PostMapping("/properties/{propertyId}/imports/text")
    ImportPlan planText(@PathVariable long propertyId, @Valid @RequestBody Pasted pasted) throws IOException {
        return plans.plan(propertyId, pasted.text());
    }

    @GetMapping("/imports/{token}")
    ImportPlan planAgain(
            @PathVariable String token,
            @RequestParam(required = false) RowKind kind,
            @RequestParam(required = false) String sheet) {
        return plans.plan(token, kind, sheet);
    }

    @PostMapping("/imports/{token}/trial")
    ImportTrial tryImport(@PathVariable String token, @Valid @RequestBody ImportChoice choice) {
        return imports.trial(token, choice);
    }

    /** What has to be agreed to with the columns as they are chosen now. */
    @PostMapping("/imports/{token}/questions")
    List<ImportPlan.Question> questions(@PathVariable String token, @Valid @RequestBody ImportChoice choice) {
        return plans.questions(token, choice);
    }

    @PostMapping("/imports/{token}/apply")
    Sweep applyImport(@PathVariable String token, @Valid @RequestBody ImportChoice choice) {
        return imports.apply(token, choice);
    }

    @PostMapping("/sweeps/{id}/take-back")
    Sweep takeBack(@PathVariable long id) {
        return imports.takeBack(id);
    }
}
