package lucidsweep.server.backup;

import java.time.LocalDate;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api")
class BackupController {

    private final Backups backups;

    BackupController(Backups backups) {
        this.backups = backups;
    }

    /** A copy of everything, to be put back with {@code ./lucid restore}. */
    @GetMapping(path = "/backup.zip", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> backup() {
        StreamingResponseBody body = backups::write;
        String name = "lucid-sweep-" + LocalDate.now() + ".zip";
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + name + "\"")
                .body(body);
    }
}
