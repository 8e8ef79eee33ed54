package lucidsweep.server.job;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class JobController {

    private final Jobs jobs;

    JobController(Jobs jobs) {
        this.jobs = jobs;
    }

    @GetMapping("/properties/{propertyId}/jobs")
    List<Job> ofProperty(@PathVariable long propertyId) {
        return jobs.ofProperty(propertyId);
    }

    /** Work that belongs to no property. */
    @GetMapping("/jobs")
    List<Job> ofNoProperty() {
        return jobs.ofNoProperty();
    }

    @GetMapping("/jobs/{id}")
    Job job(@PathVariable long id) {
        return jobs.find(id);
    }

    @PostMapping("/jobs/{id}/stop")
    void stop(@PathVariable long id) {
        jobs.stop(id);
    }
}
