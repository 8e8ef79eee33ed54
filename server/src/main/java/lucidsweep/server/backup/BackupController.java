package lucidsweep.server.backup;

import java.io.IOException;
import java.io.InputStream;
import java.time.LocalDate;
import java.util.List;
import lucidsweep.server.job.Job;
import org.springframework.core.io.FileSystemResource;
import org.springframework.core.io.Resource;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api")
class BackupController {

    private final Backups backups;
    private final AddedClients added;
    private final RemovalForGood removal;

    BackupController(Backups backups, AddedClients added, RemovalForGood removal) {
        this.backups = backups;
        this.added = added;
        this.removal = removal;
    }

    /** A copy of everything, to be put back with {@code ./lucid restore}. */
    @GetMapping(path = "/backup.zip", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> backup() throws IOException {
        backups.checkRoom(Backups.COPIES_OF_ALL);
        return zip("lucid-sweep", backups::write);
    }

    /** A copy of one client alone: so a client moves to another machine. */
    @GetMapping(path = "/clients/{id}/backup.zip", produces = "application/zip")
    ResponseEntity<StreamingResponseBody> backup(@PathVariable long id) throws IOException {
        backups.checkRoom(Backups.COPIES_OF_ONE);
        return zip(backups.name(id), out -> backups.write(id, out));
    }

    private static ResponseEntity<StreamingResponseBody> zip(String name, StreamingResponseBody body) {
        String file = name + "-" + LocalDate.now() + ".zip";
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"" + file + "\"")
                .body(body);
    }

    /** A copy that is put back at the next start, and the daily ones that are there. */
    record Copies(boolean restoreWaiting, List<String> days) {}

    @GetMapping("/backups")
    Copies copies() {
        return new Copies(backups.isRestoreWaiting(), backups.days());
    }

    @GetMapping(path = "/backups/{day}.zip", produces = "application/zip")
    ResponseEntity<Resource> ofDay(@PathVariable LocalDate day) {
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"lucid-sweep-" + day + ".zip\"")
                .body(new FileSystemResource(backups.ofDay(day)));
    }

    /** Takes a copy in; it is put back when the application starts the next time. */
    @PostMapping(path = "/backups/restore", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Copies restore(@RequestParam MultipartFile file) throws IOException {
        try (InputStream content = file.getInputStream()) {
            backups.restoreAtNextStart(content);
        }
        return copies();
    }

    @DeleteMapping("/backups/restore")
    Copies doNotRestore() throws IOException {
        backups.doNotRestore();
        return copies();
    }

    /** Begins to add the clients of a copy to those that are here. */
    @PostMapping(path = "/backups/add", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Job add(@RequestParam MultipartFile file) throws IOException {
        try (InputStream content = file.getInputStream()) {
            return added.begin(content);
        }
    }

    /** Begins to remove a property for good. */
    @DeleteMapping("/removed/property/{id}")
    Job removeProperty(@PathVariable long id) {
        return removal.property(id);
    }

    /** Begins to remove a client for good, with all properties. */
    @DeleteMapping("/removed/client/{id}")
    Job removeClient(@PathVariable long id) {
        return removal.client(id);
    }
}
