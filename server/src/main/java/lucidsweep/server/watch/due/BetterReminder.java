package lucidsweep.server.watch.due;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.aim.ideas.BetterKeywordStore;
import lucidsweep.server.aim.ideas.BetterRow;
import lucidsweep.server.client.Property;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Page;
import org.springframework.stereotype.Component;

/** Better keywords that have come near; and young items, from the day on that they can be judged. */
@Component
class BetterReminder implements Reminder {

    private static final int YOUNG = 100;

    private final BetterKeywordStore betters;

    BetterReminder(BetterKeywordStore betters) {
        this.betters = betters;
    }

    @Override
    public List<Due> of(Property property, LocalDate today) {
        List<Due> due = new ArrayList<>();
        Page<BetterRow> near = betters.page(property.id(), false, 0, 1);
        if (near.total() > 0) {
            String first = near.rows().get(0).query();
            due.add(Due.of(
                    "better:" + near.total() + ":" + first,
                    "better",
                    Counted.of((int) near.total(), "better keyword") + " within reach, “" + first + "” first",
                    today,
                    "aim?side=better"));
        }
        for (BetterRow row : betters.page(property.id(), true, 0, YOUNG).rows()) {
            if (row.youngUntil().isEmpty()) continue;
            due.add(Due.of(
                    "young:" + row.itemId(),
                    "young",
                    row.address() + " is old enough to be judged; “" + row.query() + "” may be better for it",
                    LocalDate.parse(row.youngUntil()),
                    "aim?side=better"));
        }
        return due;
    }
}
