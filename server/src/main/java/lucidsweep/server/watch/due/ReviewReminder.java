package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.time.YearMonth;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import lucidsweep.server.aim.reviews.Review;
import lucidsweep.server.aim.reviews.Reviews;
import lucidsweep.server.client.Property;
import org.springframework.stereotype.Component;

/** The review lists that a person made, by their months. */
@Component
class ReviewReminder implements Reminder {

    private final Reviews reviews;

    ReviewReminder(Reviews reviews) {
        this.reviews = reviews;
    }

    private record Listed(String month, String list) {}

    @Override
    public List<Due> of(Property property, LocalDate today) {
        Map<Listed, List<Review>> lists = reviews.all(property.id()).stream()
                .filter(review -> !review.dueMonth().isEmpty())
                .collect(Collectors.groupingBy(
                        review -> new Listed(review.dueMonth(), review.list()),
                        () -> new TreeMap<>(Comparator.comparing(Listed::month).thenComparing(Listed::list)),
                        Collectors.toList()));
        return lists.entrySet().stream()
                .map(each -> Due.of(
                        "review:" + each.getKey().month() + ":" + each.getKey().list(),
                        "review",
                        "Look at “" + each.getKey().list() + "” again, "
                                + each.getValue().size() + " on the list",
                        YearMonth.parse(each.getKey().month()).atDay(1),
                        "aim?side=reviews"))
                .toList();
    }
}
