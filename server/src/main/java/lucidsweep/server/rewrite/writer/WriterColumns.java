package lucidsweep.server.rewrite.writer;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import lucidsweep.core.writer.ColumnOrder;
import lucidsweep.core.writer.Input;
import lucidsweep.core.writer.Instruction;
import lucidsweep.server.client.Clients;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** The columns of instructions that a property has. */
@Service
class WriterColumns {

    private static final int MOST = 30;
    private static final Set<Field> MADE = Set.of(Field.TITLE, Field.DESCRIPTION, Field.TAGS, Field.H1, Field.IMAGES);

    private final WriterColumnMapper mapper;
    private final Clients clients;
    private final TransactionTemplate transaction;

    WriterColumns(WriterColumnMapper mapper, Clients clients, TransactionTemplate transaction) {
        this.mapper = mapper;
        this.clients = clients;
        this.transaction = transaction;
    }

    /** In the order in which they are asked. */
    List<Instruction> ofProperty(long propertyId) {
        return ColumnOrder.of(mapper.ofProperty(propertyId).stream()
                .map(WriterColumns::instruction)
                .toList());
    }

    Instruction find(long propertyId, long id) {
        return ofProperty(propertyId).stream()
                .filter(column -> column.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("there is no column " + id + " of the writer in this property"));
    }

    /** Adds a column, where its id is 0, or changes one; those that go on with its answers follow its name. */
    void save(long propertyId, Instruction column) {
        clients.property(propertyId);
        List<WriterColumnMapper.Line> all = mapper.ofProperty(propertyId);
        WriterColumnMapper.Line before =
                all.stream().filter(line -> line.id == column.id()).findFirst().orElse(null);
        if (column.id() != 0 && before == null) throw Refusal.notFound("there is no column " + column.id());
        check(column, all);
        WriterColumnMapper.Line line = line(propertyId, column, all.size());
        transaction.executeWithoutResult(status -> {
            if (before == null) mapper.insert(line);
            else mapper.update(line);
            if (before != null && !before.name.equals(line.name)) rename(all, before.name, line.name);
        });
        clients.touch(propertyId);
    }

    private static void check(Instruction column, List<WriterColumnMapper.Line> all) {
        if (all.size() >= MOST && column.id() == 0) throw Refusal.badInput("there are " + MOST + " columns already");
        for (WriterColumnMapper.Line other : all) {
            if (other.id != column.id()
                    && other.name.equalsIgnoreCase(column.name().strip())) {
                throw Refusal.badInput("another column is named “" + other.name + "” already");
            }
        }
        if (column.makes() != null && !MADE.contains(column.makes())) {
            throw Refusal.badInput(
                    "the writer makes no drafts of the " + column.makes().label());
        }
        List<Instruction> together = new ArrayList<>();
        for (WriterColumnMapper.Line other : all) if (other.id != column.id()) together.add(instruction(other));
        together.add(column);
        for (String needed : column.after()) {
            if (together.stream().noneMatch(other -> other.name().equals(needed))) {
                throw Refusal.badInput("there is no column “" + needed + "” whose answer could go with it");
            }
        }
        try {
            ColumnOrder.of(together);
        } catch (IllegalArgumentException circle) {
            throw Refusal.badInput(circle.getMessage());
        }
    }

    private void rename(List<WriterColumnMapper.Line> all, String before, String after) {
        for (WriterColumnMapper.Line other : all) {
            List<String> names = new ArrayList<>(lines(other.afterNames));
            if (!names.contains(before)) continue;
            names.replaceAll(name -> name.equals(before) ? after : name);
            other.afterNames = String.join("\n", names);
            mapper.update(other);
        }
    }

    void delete(long propertyId, long id) {
        Instruction column = find(propertyId, id);
        for (Instruction other : ofProperty(propertyId)) {
            if (other.after().contains(column.name())) {
                throw Refusal.conflict("“" + other.name() + "” goes on with the answers of “" + column.name()
                        + "”; change that first");
            }
        }
        mapper.delete(propertyId, id);
        clients.touch(propertyId);
    }

    private static WriterColumnMapper.Line line(long propertyId, Instruction column, int place) {
        WriterColumnMapper.Line line = new WriterColumnMapper.Line();
        line.id = column.id();
        line.propertyId = propertyId;
        line.name = column.name().strip();
        line.makes = column.makes();
        line.words = column.words();
        line.inputs = column.inputs().stream().map(Input::code).collect(Collectors.joining("\n"));
        line.afterNames = String.join("\n", column.after());
        line.maxChars = column.maxChars();
        line.place = place;
        return line;
    }

    private static Instruction instruction(WriterColumnMapper.Line line) {
        return new Instruction(
                line.id,
                line.name,
                line.makes,
                line.words,
                lines(line.inputs).stream()
                        .map(code -> Input.valueOf(code.toUpperCase(Locale.ROOT)))
                        .toList(),
                lines(line.afterNames),
                line.maxChars);
    }

    private static List<String> lines(String text) {
        return text.isEmpty() ? List.of() : Arrays.asList(text.split("\n"));
    }
}
