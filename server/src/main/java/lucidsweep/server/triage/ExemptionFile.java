package lucidsweep.server.triage;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.item.Field;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.table.RowReader;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import lucidsweep.server.web.Rows;
import org.springframework.stereotype.Service;

/** The findings that are let stand as a table, written and read: address, field, check, reason and the day until which. */
@Service
public class ExemptionFile {

    private static final List<String> COLUMNS = List.of("address", "field", "check", "reason", "until");
    private static final String UNSAID = "as the file says";

    private final ExemptionMapper mapper;
    private final Exemptions exemptions;
    private final Findings findings;
    private final Items items;

    ExemptionFile(ExemptionMapper mapper, Exemptions exemptions, Findings findings, Items items) {
        this.mapper = mapper;
        this.exemptions = exemptions;
        this.findings = findings;
        this.items = items;
    }

    /**
     * An item that need not pass a check.
     *
     * @param until null for good
     */
    public record Line(String address, Check check, String reason, LocalDate until) {}

    /** Writes those of a property that hold. */
    void write(long propertyId, Rows rows) {
        rows.row(COLUMNS.toArray());
        List<ExemptionMapper.OfItem> held = mapper.ofProperty(propertyId);
        Map<Long, String> addresses = items.addresses(
                held.stream().map(ExemptionMapper.OfItem::itemId).distinct().toList());
        for (ExemptionMapper.OfItem each : held) {
            String address = addresses.get(each.itemId());
            if (address != null)
                rows.row(
                        address,
                        each.field(),
                        each.checkCode(),
                        each.reason(),
                        each.untilDay() == null ? "" : each.untilDay());
        }
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
                } catch (IllegalArgumentException | DateTimeParseException e) {
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
        String until = cell(cells, places, "until");
        Check check = Checks.of(field(cell(cells, places, "field")), cell(cells, places, "check"));
        return new Line(
                cell(cells, places, "address"),
                check,
                reason.isEmpty() ? UNSAID : reason,
                until.isEmpty() ? null : LocalDate.parse(until));
    }

    private static Field field(String code) {
        return Arrays.stream(Field.values())
                .filter(field -> field.code().equals(code))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("there is no field \"" + code + "\""));
    }

    private static String cell(List<String> cells, Map<String, Integer> places, String name) {
        Integer place = places.get(name);
        return place == null || place >= cells.size() ? "" : cells.get(place).strip();
    }

    private record Group(Check check, String reason, LocalDate until) {}

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
        Map<Group, List<Long>> groups = new LinkedHashMap<>();
        items.forEachAddress(propertyId, (address, id) -> {
            List<Line> own = byAddress.remove(address);
            if (own == null) return;
            for (Line line : own)
                groups.computeIfAbsent(new Group(line.check(), line.reason(), line.until()), any -> new ArrayList<>())
                        .add(id);
        });
        groups.forEach((group, ids) -> exemptions.exempt(
                propertyId,
                ids.stream().mapToLong(Long::longValue).toArray(),
                group.check().field(),
                group.check().code(),
                group.reason(),
                group.until()));
        if (!groups.isEmpty()) findings.evaluate(propertyId);
        return List.copyOf(byAddress.keySet());
    }
}
