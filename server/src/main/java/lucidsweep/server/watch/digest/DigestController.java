package lucidsweep.server.watch.digest;

import com.samskivert.mustache.Template;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import lucidsweep.server.web.Templates;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The week of a client's properties, as one file that needs nothing else, or as a mail. */
@RestController
@RequestMapping("/api/clients/{clientId}")
class DigestController {

    private final ClientDigest digests;
    private final DigestMail mail;
    private final Template page = Templates.beside(DigestController.class, "digest.html.mustache");

    DigestController(ClientDigest digests, DigestMail mail) {
        this.digests = digests;
        this.mail = mail;
    }

    @GetMapping("/digest.html")
    ResponseEntity<String> html(@PathVariable long clientId) {
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(page.execute(digests.of(clientId)));
    }

    /** To whom a digest goes. */
    record Recipient(
            @NotBlank(message = "is needed") @Size(max = 300, message = "has at most 300 characters")
            String to) {}

    @PostMapping("/digest/mail")
    void send(@PathVariable long clientId, @Valid @RequestBody Recipient recipient) {
        ClientDigest.Digest digest = digests.of(clientId);
        mail.send(recipient.to(), digest.heading() + ": the week to " + digest.day(), page.execute(digest));
    }
}
