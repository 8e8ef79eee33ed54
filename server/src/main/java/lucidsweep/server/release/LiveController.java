package lucidsweep.server.release;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import java.util.List;
import lucidsweep.server.gather.schedule.Schedule;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class LiveController {

    private final LiveWatch liveWatch;
    private final LiveSchedules schedules;
    private final Releases releases;

    LiveController(LiveWatch liveWatch, LiveSchedules schedules, Releases releases) {
        this.liveWatch = liveWatch;
        this.schedules = schedules;
        this.releases = releases;
    }

    /** When the pages of recent releases are swept again by themselves; null where they are not. */
    record PlannedLooks(@Nullable Schedule schedule) {}

    @GetMapping("/properties/{propertyId}/live-schedule")
    PlannedLooks planned(@PathVariable long propertyId) {
        return new PlannedLooks(schedules.of(propertyId).orElse(null));
    }

    /** Plans them; what begins today begins at once. */
    @PutMapping("/properties/{propertyId}/live-schedule")
    PlannedLooks plan(@PathVariable long propertyId, @Valid @RequestBody Schedule schedule) {
        schedules.set(propertyId, schedule);
        schedules.runDue();
        return planned(propertyId);
    }

    @DeleteMapping("/properties/{propertyId}/live-schedule")
    PlannedLooks unplan(@PathVariable long propertyId) {
        schedules.remove(propertyId);
        return planned(propertyId);
    }

    /** A sweep that was begun. */
    record BegunSweep(long jobId) {}

    /** Sweeps the pages of a handover again, to see what became of them. */
    @PostMapping("/handovers/{id}/live")
    BegunSweep checkLive(@PathVariable long id) {
        return new BegunSweep(liveWatch.sweep(releases.find(id)).jobId());
    }

    /** The first texts of a handover in a state, with what is there now. */
    @GetMapping("/handovers/{id}/live")
    List<LiveWatch.LiveText> live(@PathVariable long id, @RequestParam LiveState state) {
        return liveWatch.texts(releases.find(id).id(), state);
    }
}
