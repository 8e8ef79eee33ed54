package lucidsweep.server.watch.digest;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import lucidsweep.server.gather.schedule.Schedule;
import lucidsweep.server.watch.digest.DigestSchedules.PlannedDigest;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The week of a client's properties, as one file that needs nothing else, or as a mail. */
@RestController
@RequestMapping("/api/clients/{clientId}")
class DigestController {

    private final SentDigests digests;
    private final DigestSchedules schedules;

    DigestController(SentDigests digests, DigestSchedules schedules) {
        this.digests = digests;
        this.schedules = schedules;
    }

    @GetMapping("/digest.html")
    ResponseEntity<String> html(@PathVariable long clientId) {
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .body(digests.page(clientId));
    }

    /** To whom a digest goes. */
    record Recipient(
            @NotBlank(message = "is needed") @Size(max = 300, message = "has at most 300 characters")
            String to) {}

    @PostMapping("/digest/mail")
    void send(@PathVariable long clientId, @Valid @RequestBody Recipient recipient) {
        digests.send(clientId, recipient.to());
    }

    /** To whom a digest goes by itself, and when. */
    record DigestPlan(
            @NotBlank(message = "is needed") @Size(max = 300, message = "has at most 300 characters")
            String to,

            @NotNull(message = "is needed") @Valid Schedule schedule) {}

    /** What is planned; null where nothing is. */
    record PlannedDigests(@Nullable PlannedDigest planned) {}

    @GetMapping("/digest/schedule")
    PlannedDigests planned(@PathVariable long clientId) {
        return new PlannedDigests(schedules.of(clientId));
    }

    /** Plans it; what is due today is sent at once. */
    @PutMapping("/digest/schedule")
    PlannedDigests plan(@PathVariable long clientId, @Valid @RequestBody DigestPlan plan) {
        schedules.set(clientId, plan.to(), plan.schedule());
        schedules.runDue();
        return planned(clientId);
    }

    @DeleteMapping("/digest/schedule")
    PlannedDigests unplan(@PathVariable long clientId) {
        schedules.remove(clientId);
        return planned(clientId);
    }
}
