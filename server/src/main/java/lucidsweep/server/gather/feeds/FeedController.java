package lucidsweep.server.gather.feeds;

import jakarta.annotation.Nullable;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import lucidsweep.server.gather.schedule.Schedule;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class FeedController {

    private final FeedFetch feeds;
    private final DemandFetch demand;
    private final DemandSchedules schedules;

    FeedController(FeedFetch feeds, DemandFetch demand, DemandSchedules schedules) {
        this.feeds = feeds;
        this.demand = demand;
        this.schedules = schedules;
    }

    @PostMapping("/properties/{propertyId}/imports/feed")
    FeedFetch.Fetching fetchFeed(@PathVariable long propertyId) throws IOException {
        return feeds.begin(propertyId);
    }

    /** Where demand is fetched from; "" where it never was. */
    record DemandSource(
            @NotNull @Size(max = 2_000, message = "has at most 2,000 characters")
            String address) {}

    /** A job that was begun. */
    record BegunJob(long jobId) {}

    @GetMapping("/properties/{propertyId}/demand/source")
    DemandSource demandSource(@PathVariable long propertyId) {
        return new DemandSource(demand.source(propertyId));
    }

    @PostMapping("/properties/{propertyId}/demand/fetch")
    BegunJob fetchDemand(@PathVariable long propertyId, @Valid @RequestBody DemandSource from) {
        return new BegunJob(demand.begin(propertyId, from.address()));
    }

    /** When demand is fetched again by itself; null where it is not. */
    record PlannedFetches(@Nullable Schedule schedule) {}

    @GetMapping("/properties/{propertyId}/demand/schedule")
    PlannedFetches planned(@PathVariable long propertyId) {
        return new PlannedFetches(schedules.of(propertyId).orElse(null));
    }

    /** Plans them; what begins today begins at once. */
    @PutMapping("/properties/{propertyId}/demand/schedule")
    PlannedFetches plan(@PathVariable long propertyId, @Valid @RequestBody Schedule schedule) {
        schedules.set(propertyId, schedule);
        schedules.runDue();
        return planned(propertyId);
    }

    @DeleteMapping("/properties/{propertyId}/demand/schedule")
    PlannedFetches unplan(@PathVariable long propertyId) {
        schedules.remove(propertyId);
        return planned(propertyId);
    }
}
