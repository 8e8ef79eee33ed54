package lucidsweep.server.watch.course;

import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.aim.demand.DemandCourses;
import lucidsweep.server.aim.demand.DemandCourses.Course;
import lucidsweep.server.aim.demand.DemandCourses.CoursePoint;
import lucidsweep.server.aim.demand.DemandCourses.Grain;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.client.Clients;
import lucidsweep.server.web.Refusal;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}/watch")
class CourseController {

    private static final int MOST_PARTS = 20;

    private final DemandCourses courses;
    private final CourseParts parts;
    private final PositionCounts positions;
    private final ResultLooks looks;
    private final Marks marks;
    private final Clients clients;
    private final Demands demands;

    CourseController(
            DemandCourses courses,
            CourseParts parts,
            PositionCounts positions,
            ResultLooks looks,
            Marks marks,
            Clients clients,
            Demands demands) {
        this.demands = demands;
        this.looks = looks;
        this.courses = courses;
        this.parts = parts;
        this.positions = positions;
        this.marks = marks;
        this.clients = clients;
    }

    /** A part over time. */
    record NamedCourse(String code, String name, Course course) {}

    /**
     * Parts over time, side by side.
     *
     * @param courses empty where nothing is reported
     * @param usualDays how many days most rows of the reports are of
     * @param holes the stretches within which nothing at all is reported, by their first days
     * @param moved sites that were reported of and whose pages stand elsewhere now: their figures count there
     */
    record Courses(
            List<NamedCourse> courses, int usualDays, List<String> holes, List<Mark> marks, List<MovedSite> moved) {}

    /** The scheme and host of a site before it moved, and of today. */
    record MovedSite(String from, String to) {}

    @GetMapping("/course")
    Courses course(
            @PathVariable long propertyId,
            @RequestParam(name = "of", defaultValue = "all") List<String> of,
            @RequestParam(defaultValue = "week") Grain grain,
            HttpServletRequest request) {
        clients.property(propertyId);
        return course(propertyId, given(of, request), grain);
    }

    /** The parts as they were given: one alone would be taken apart at its commas. */
    private static List<String> given(List<String> of, HttpServletRequest request) {
        String[] given = request.getParameterValues("of");
        return given == null ? of : List.of(given);
    }

    private Courses course(long propertyId, List<String> of, Grain grain) {
        if (of.size() > MOST_PARTS)
            throw Refusal.badInput("at most " + MOST_PARTS + " parts stand in one picture, got " + of.size());
        List<CourseParts.NamedPart> named =
                of.stream().map(code -> parts.of(propertyId, code)).toList();
        List<Course> found = courses.of(
                propertyId, named.stream().map(CourseParts.NamedPart::part).toList(), grain);
        List<NamedCourse> all = new ArrayList<>();
        for (int i = 0; i < found.size(); i++)
            all.add(new NamedCourse(named.get(i).code(), named.get(i).name(), found.get(i)));
        List<String> holes = found.isEmpty()
                ? List.of()
                : found.get(0).points().stream()
                        .filter(point -> point.figures() == null)
                        .map(CoursePoint::first)
                        .toList();
        List<MovedSite> moved = new ArrayList<>();
        demands.movedSites(propertyId).origins().forEach((from, to) -> moved.add(new MovedSite(from, to)));
        return new Courses(all, courses.usualDays(propertyId), holes, marks.of(propertyId), moved);
    }

    @GetMapping({"/course.csv", "/course.xlsx"})
    ResponseEntity<StreamingResponseBody> file(
            @PathVariable long propertyId,
            @RequestParam(name = "of", defaultValue = "all") List<String> of,
            @RequestParam(defaultValue = "week") Grain grain,
            HttpServletRequest request) {
        clients.property(propertyId);
        Courses all = course(propertyId, given(of, request), grain);
        return Rows.download("positions", rows -> {
            rows.row("part", "from", "clicks", "impressions", "ctr", "position");
            for (NamedCourse each : all.courses()) {
                for (CoursePoint point : each.course().points()) {
                    if (point.figures() == null) continue;
                    rows.row(
                            each.name(),
                            point.first(),
                            point.figures().clicks(),
                            point.figures().impressions(),
                            point.figures().rate(),
                            point.figures().position() < 1
                                    ? ""
                                    : point.figures().position());
                }
            }
        });
    }

    /** How many queries stand at which positions, by week, and which came or went of late. */
    @GetMapping("/positions")
    PositionCounts.Positions positions(@PathVariable long propertyId) {
        clients.property(propertyId);
        return positions.of(propertyId);
    }

    /** Which item stood for a query, and when that changed hands. */
    @GetMapping("/holders")
    List<DemandCourses.Holder> holders(@PathVariable long propertyId, @RequestParam String query) {
        clients.property(propertyId);
        return courses.holders(propertyId, query);
    }

    /** Where the property stood in the result lists of a query, and who stood around it; the latest list first. */
    @GetMapping("/looks")
    List<ResultLooks.ResultLook> looks(@PathVariable long propertyId, @RequestParam String query) {
        return looks.of(propertyId, query);
    }

    /** A note on the time line. */
    record Note(
            @NotNull(message = "is needed") LocalDate day,

            @NotBlank(message = "is needed") @Size(max = 500, message = "has at most 500 characters")
            String text) {}

    @PostMapping("/notes")
    List<Mark> note(@PathVariable long propertyId, @Valid @RequestBody Note note) {
        clients.property(propertyId);
        marks.note(propertyId, note.day(), note.text());
        return marks.of(propertyId);
    }

    @DeleteMapping("/notes/{id}")
    List<Mark> removeNote(@PathVariable long propertyId, @PathVariable long id) {
        marks.removeNote(propertyId, id);
        return marks.of(propertyId);
    }
}
