package lucidsweep.server.gather;

import java.io.IOException;
import java.io.InputStream;
import java.util.List;
import org.springframework.http.MediaType;
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

    private final Imports imports;

    ImportController(Imports imports) {
        this.imports = imports;
    }

    @PostMapping(path = "/properties/{propertyId}/imports", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    ImportPlan plan(@PathVariable long propertyId, @RequestParam MultipartFile file) throws IOException {
        String name = file.getOriginalFilename() == null ? "a file" : file.getOriginalFilename();
        try (InputStream content = file.getInputStream()) {
            return imports.plan(propertyId, name, content);
        }
    }

    @PostMapping("/imports/{token}/apply")
    Sweep applyImport(@PathVariable String token, @RequestBody List<ListingColumn> meanings) {
        return imports.apply(token, meanings);
    }
}
