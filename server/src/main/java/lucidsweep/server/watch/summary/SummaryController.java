package lucidsweep.server.watch.summary;

import java.util.List;
import lucidsweep.core.acceptance.Acceptance.ShownShare;
import lucidsweep.server.aim.demand.DemandCourses;
import lucidsweep.server.aim.demand.DemandCourses.Course;
import lucidsweep.server.aim.demand.DemandCourses.Grain;
import lucidsweep.server.aim.demand.DemandCourses.Part;
import lucidsweep.server.release.Acceptances;
import lucidsweep.server.watch.due.Due;
import lucidsweep.server.watch.due.DueList;
import lucidsweep.server.watch.effect.Effects;
import lucidsweep.server.watch.move.FoundMoves;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;

@RestController
class SummaryController {

    private static final int RECENT_WEEKS = 8;

    private final DemandCourses courses;
    private final DueList dueList;
    private final FoundMoves moves;
    private final Acceptances acceptances;
    private final Effects effects;

    SummaryController(
            DemandCourses courses, DueList dueList, FoundMoves moves, Acceptances acceptances, Effects effects) {
        this.courses = courses;
        this.dueList = dueList;
        this.moves = moves;
        this.acceptances = acceptances;
        this.effects = effects;
    }

    @GetMapping("/api/properties/{propertyId}/watch/summary")
    WatchSummary summary(@PathVariable long propertyId) {
        List<Course> all = courses.of(propertyId, List.of(Part.ALL), Grain.WEEK);
        List<Due> due = dueList.of(propertyId).stream().filter(Due::due).toList();
        ShownShare shown = acceptances.of(propertyId, null).acceptance().all();
        return new WatchSummary(
                all.isEmpty() ? List.of() : all.get(0).points(),
                all.isEmpty() ? null : lastYear(all.get(0)),
                due.size(),
                due.isEmpty() ? "" : due.get(0).text(),
                moves.count(propertyId, RECENT_WEEKS),
                shown.results() == 0 ? null : shown.accepted(),
                effects.improved(propertyId));
    }

    private static Double lastYear(Course course) {
        if (course.now() == null
                || course.yearBefore() == null
                || course.yearBefore().clicks() == 0) return null;
        return course.now().clicks() / (double) course.yearBefore().clicks() - 1;
    }
}
