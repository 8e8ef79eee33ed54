package lucidsweep.server.watch.summary;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.server.aim.demand.DemandCourses.CoursePoint;

/**
 * Watch at a glance.
 *
 * @param weeks clicks of all that is reported, by week; empty where nothing is
 * @param lastYear by how much the last thirteen weeks have more clicks than those a year before, as a share; null where not known
 * @param due how much is due now
 * @param firstDue what is due first, in words; "" for nothing
 * @param moves sudden moves of the last eight weeks that nobody has set aside
 * @param accepted the share of results that show our wording, from 0 to 1; null where nobody looked
 * @param improved items of releases that brought more clicks
 */
record WatchSummary(
        List<CoursePoint> weeks,
        @Nullable Double lastYear,
        int due,
        String firstDue,
        int moves,
        @Nullable Double accepted,
        int improved) {}
