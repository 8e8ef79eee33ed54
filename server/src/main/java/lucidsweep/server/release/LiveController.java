package lucidsweep.server.release;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class LiveController {

    private final LiveWatch liveWatch;
    private final Releases releases;

    LiveController(LiveWatch liveWatch, Releases releases) {
        this.liveWatch = liveWatch;
        this.releases = releases;
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
