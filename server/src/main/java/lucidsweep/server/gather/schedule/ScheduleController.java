package lucidsweep.server.gather.schedule;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/properties/{propertyId}/schedule")
class ScheduleController {

    private final Schedules schedules;

    ScheduleController(Schedules schedules) {
        this.schedules = schedules;
    }

    /** What is planned; null where nothing is. */
    record Planned(@Nullable Schedule schedule) {}

    @GetMapping
    Planned schedule(@PathVariable long propertyId) {
        return new Planned(schedules.of(propertyId).orElse(null));
    }

    @PutMapping
    Planned plan(@PathVariable long propertyId, @Valid @RequestBody Schedule schedule) {
        schedules.set(propertyId, schedule);
        return schedule(propertyId);
    }

    @DeleteMapping
    ResponseEntity<Void> unplan(@PathVariable long propertyId) {
        schedules.remove(propertyId);
        return ResponseEntity.noContent().build();
    }
}
