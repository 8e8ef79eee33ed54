package lucidsweep.server.triage;

import java.time.Instant;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.job.Lookahead;
import lucidsweep.server.table.RowReader;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import lucidsweep.server.web.Rows;
import org.springframework.stereotype.Service;

/** The findings that are let stand as a table, written and read: address, field, check, reason and the day until which. */
@Service
public class ExemptionFile {

    private static final List<String> COLUMNS = List.of("address", "field", "check", "reason", "until");
    private static final int AT_ONCE = 1_000;
    private static final String UNSAID = "as the file says";

    private final ExemptionMapper mapper;
    private final Exemptions exemptions;
    private final Items items;

    ExemptionFile(ExemptionMapper mapper, Exemptions exemptions, Items items) {
        this.mapper = mapper;
        this.exemptions = exemptions;
        this.items = items;
    }

    /**
     * An item that need not pass a check.
     *
     * @param until null for good
     */
    public record Line(String address, Check check, String reason, LocalDate until) {}

    /** Writes those of a property that hold, in the order of the items. */
    void write(long propertyId, Rows rows) {
        rows.row(COLUMNS.toArray());
        Lookahead.over(
                items.allIds(propertyId),
                AT_ONCE,
                ids -> mapper.toWrite(ids[0], ids[ids.length - 1]),
                held -> held.forEach(each -> rows.row(
                        each.address(),
                        each.field(),
                        each.checkCode(),
                        each.reason(),
                        each.untilDay() == null ? "" : each.untilDay())));
    }

    /**
     * Reads a file whose first row names its columns; reason and until may be left out.
     *
     * @throws Refusal with the line that cannot be used
     */
    public static List<Line> read(TableFile file) {
        List<Line> lines = new ArrayList<>();
        file.read(new RowReader() {
            private Map<String, Integer> places;

            @Override
            public void row(long number, List<String> cells) {
                try {
                    if (places == null) places = places(cells);
                    else lines.add(line(cells, places));
                } catch (IllegalArgumentException e) {
                    throw Refusal.badInput("exemptions, line " + number + ": " + e.getMessage());
                }
            }

            @Override
            public void unreadable(long number, String reason) {
                throw Refusal.badInput("exemptions, line " + number + ": " + reason);
            }
        });
        return lines;
    }

    private static Map<String, Integer> places(List<String> header) {
        Map<String, Integer> places = new HashMap<>();
        for (int i = 0; i < header.size(); i++) places.put(header.get(i).strip().toLowerCase(Locale.ROOT), i);
        if (!places.keySet().containsAll(COLUMNS.subList(0, 3)))
            throw new IllegalArgumentException("expected the columns address, field and check, got " + header);
        return places;
    }

    private static Line line(List<String> cells, Map<String, Integer> places) {
        String reason = cell(cells, places, "reason");
        if (reason.length() > Exemptions.LONGEST_REASON)
            throw new IllegalArgumentException(
                    "reason: expected " + Exemptions.LONGEST_REASON + " characters at most, got " + reason.length());
        return new Line(
                cell(cells, places, "address"),
                Checks.of(Field.of(cell(cells, places, "field")), cell(cells, places, "check")),
                reason.isEmpty() ? UNSAID : reason,
                day(cell(cells, places, "until")));
    }

    private static LocalDate day(String until) {
        try {
            return until.isEmpty() ? null : LocalDate.parse(until);
        } catch (DateTimeParseException e) {
            throw new IllegalArgumentException("until: expected a day such as 2027-03-31, got \"" + until + "\"");
        }
    }

    private static String cell(List<String> cells, Map<String, Integer> places, String name) {
        Integer place = places.get(name);
        return place == null || place >= cells.size() ? "" : cells.get(place).strip();
    }

    /**
     * Lets findings of a property stand, and works out all of them anew.
     *
     * @param lines those whose day has come are passed over
     * @return the addresses that no item has
     */
    public List<String> apply(long propertyId, List<Line> lines) {
        Map<String, List<Line>> byAddress = new LinkedHashMap<>();
        for (Line line : lines) {
            if (line.until() == null || line.until().isAfter(LocalDate.now()))
                byAddress
                        .computeIfAbsent(line.address(), any -> new ArrayList<>())
                        .add(line);
        }
        Instant now = Instant.now().truncatedTo(ChronoUnit.MICROS);
        List<Exemptions.NewExemption> rows = new ArrayList<>();
        items.forEachAddress(propertyId, (address, id) -> {
            List<Line> own = byAddress.remove(address);
            if (own == null) return;
            for (Line line : own)
                rows.add(new Exemptions.NewExemption(
                        id,
                        line.check().field().code(),
                        line.check().code(),
                        propertyId,
                        line.reason(),
                        line.until(),
                        now));
        });
        exemptions.exemptAll(propertyId, rows);
        return List.copyOf(byAddress.keySet());
    }
}
