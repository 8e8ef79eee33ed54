package lucidsweep.server.rewrite.writer;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import lucidsweep.core.item.Field;
import lucidsweep.core.writer.Instruction;
import lucidsweep.server.rewrite.WrittenTexts;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Component;

/** The writer's answers that may become drafts. */
@Component
class Written implements WrittenTexts {

    private final WriterColumns columns;
    private final WriterCellMapper cells;

    Written(WriterColumns columns, WriterCellMapper cells) {
        this.columns = columns;
        this.cells = cells;
    }

    @Override
    public Map<Long, String> of(long propertyId, String column, Field field, long[] ids) {
        Instruction written = columns.ofProperty(propertyId).stream()
                .filter(each -> each.name().equals(column))
                .findFirst()
                .orElseThrow(() -> Refusal.badInput("the writer has no column “" + column + "”"));
        if (written.makes() != field) {
            throw Refusal.badInput("“" + column + "” makes no " + field.label());
        }
        Map<Long, String> texts = new HashMap<>();
        for (WriterCellMapper.Line cell :
                cells.cells(propertyId, Arrays.stream(ids).boxed().toArray())) {
            if (cell.columnId() == written.id() && cell.state() == CellState.DONE)
                texts.put(cell.itemId(), cell.answer());
        }
        return texts;
    }
}
