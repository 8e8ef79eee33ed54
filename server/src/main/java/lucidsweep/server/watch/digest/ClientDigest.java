package lucidsweep.server.watch.digest;

import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import lucidsweep.core.acceptance.Acceptance.ShownShare;
import lucidsweep.core.effect.Effect.Verdict;
import lucidsweep.core.move.Move.Spread;
import lucidsweep.server.aim.demand.DemandCourses;
import lucidsweep.server.aim.demand.DemandCourses.Course;
import lucidsweep.server.aim.demand.DemandCourses.CoursePoint;
import lucidsweep.server.aim.demand.DemandCourses.Grain;
import lucidsweep.server.aim.demand.DemandCourses.Part;
import lucidsweep.server.aim.demand.DemandWindow.Reported;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.release.Acceptances;
import lucidsweep.server.watch.due.Due;
import lucidsweep.server.watch.due.DueList;
import lucidsweep.server.watch.effect.Effects;
import lucidsweep.server.watch.move.FoundMoves;
import lucidsweep.server.watch.move.MoveRow;
import lucidsweep.server.web.Counted;
import org.springframework.stereotype.Component;

/** Gathers what there is to say of a client's properties this week. */
@Component
class ClientDigest {

    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMMM uuuu", Locale.ENGLISH);
    private static final int RECENT_WEEKS = 4;
    private static final int MOST = 8;
    private static final int WIDTH = 560;
    private static final int HEIGHT = 70;

    private final Clients clients;
    private final DemandCourses courses;
    private final FoundMoves moves;
    private final Effects effects;
    private final DueList dueList;
    private final Acceptances acceptances;

    ClientDigest(
            Clients clients,
            DemandCourses courses,
            FoundMoves moves,
            Effects effects,
            DueList dueList,
            Acceptances acceptances) {
        this.clients = clients;
        this.courses = courses;
        this.moves = moves;
        this.effects = effects;
        this.dueList = dueList;
        this.acceptances = acceptances;
    }

    /** A digest, all in words. */
    record Digest(String heading, String day, List<PropertyPart> properties) {}

    /**
     * What there is to say of a property.
     *
     * @param line the points of its clicks by week, as SVG writes them; "" where nothing is reported
     * @param clicks what the last thirteen weeks brought
     * @param parts sentences under headings; those without any are left out
     */
    record PropertyPart(String name, String line, String clicks, List<Heading> parts) {}

    record Heading(String heading, List<String> sentences) {}

    Digest of(long clientId) {
        Client client = clients.client(clientId);
        List<PropertyPart> parts = clients.properties().stream()
                .filter(property -> property.clientId() == clientId)
                .map(this::part)
                .toList();
        return new Digest(client.name(), DAY.format(LocalDate.now()), parts);
    }

    private PropertyPart part(Property property) {
        List<Course> all = courses.of(property.id(), List.of(Part.ALL), Grain.WEEK);
        List<Heading> parts = new ArrayList<>();
        add(
                parts,
                "What moved",
                moves.of(property.id(), RECENT_WEEKS, false).stream()
                        .limit(MOST)
                        .map(ClientDigest::moved)
                        .toList());
        add(
                parts,
                "What releases brought",
                effects.of(property.id()).stream()
                        .filter(row ->
                                row.kind().equals("release") && row.effect().verdict() != Verdict.NOT_LIVE)
                        .limit(MOST)
                        .map(row -> row.name() + ": " + row.words() + ".")
                        .toList());
        ShownShare shown = acceptances.of(property.id(), null).acceptance().all();
        if (shown.results() > 0) {
            add(
                    parts,
                    "Wording shown",
                    List.of(String.format(
                            Locale.ROOT,
                            "Result pages show our wording in %.0f%% of %s.",
                            shown.accepted() * 100,
                            Counted.of(shown.results(), "result"))));
        }
        add(
                parts,
                "Due now",
                dueList.of(property.id()).stream()
                        .filter(Due::due)
                        .limit(MOST)
                        .map(due -> due.text() + ".")
                        .toList());
        return all.isEmpty()
                ? new PropertyPart(property.name(), "", "No demand is reported yet.", parts)
                : new PropertyPart(property.name(), line(all.get(0)), clicks(all.get(0)), parts);
    }

    private static void add(List<Heading> parts, String heading, List<String> sentences) {
        if (!sentences.isEmpty()) parts.add(new Heading(heading, sentences));
    }

    private static String moved(MoveRow move) {
        String who = move.spread() == Spread.ALL
                ? "The whole property"
                : move.spread() == Spread.GROUP
                        ? move.name() + " (" + move.level().series() + " of "
                                + move.level().of() + ")"
                        : move.name();
        return String.format(
                Locale.ROOT,
                "%s %s, since %s; %+,d clicks a month.",
                who,
                move.says(),
                DAY.format(LocalDate.parse(move.day())),
                Math.round(move.level().clicksPerMonth()));
    }

    private static String clicks(Course course) {
        if (course.now() == null) return "Nothing is reported of the last thirteen weeks.";
        return String.format(
                Locale.ROOT,
                "%,d clicks in the last thirteen weeks%s%s",
                course.now().clicks(),
                versus(course.now(), course.before(), " on the thirteen before"),
                versus(course.now(), course.yearBefore(), " on last year") + ".");
    }

    private static String versus(Reported now, Reported then, String what) {
        if (then == null || then.clicks() == 0) return "";
        return String.format(Locale.ROOT, ", %+.0f%%%s", (now.clicks() / (double) then.clicks() - 1) * 100, what);
    }

    private static String line(Course course) {
        List<CoursePoint> points =
                course.points().stream().filter(CoursePoint::whole).toList();
        double most = points.stream()
                .mapToDouble(
                        point -> point.figures() == null ? 0 : point.figures().clicks())
                .max()
                .orElse(1);
        List<String> line = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            Reported figures = points.get(i).figures();
            if (figures == null) continue;
            line.add(String.format(
                    Locale.ROOT,
                    "%.1f,%.1f",
                    i * WIDTH / (double) Math.max(1, points.size() - 1),
                    HEIGHT - figures.clicks() / Math.max(1, most) * (HEIGHT - 4)));
        }
        return String.join(" ", line);
    }
}
