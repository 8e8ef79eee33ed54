package lucidsweep.server.item.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Proxy;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.server.database.IdRange;
import lucidsweep.server.item.draft.DraftMapper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.json.JsonMapper;

/** A row that changes while its table, or the row itself, is being read does not stay as it was before. */
class ItemTablesTest {

    private static final long PROPERTY = 7;
    private static final long ITEM = IdRange.id(PROPERTY, 1);

    @TempDir
    private Path folder;

    private ItemTables tables;
    private volatile String title = "before";
    private Thread meanwhile;

    @Test
    void whatChangesWhileTheTableIsReadIsInIt() {
        tables = tables();
        ItemTable table = tables.of(PROPERTY);
        assertThat(matching(table, "after")).containsExactly(ITEM);
        assertThat(matching(table, "before")).isEmpty();
        title = "later";
        tables.refresh(PROPERTY, List.of(ITEM));
        assertThat(matching(tables.of(PROPERTY), "later")).containsExactly(ITEM);
    }

    @Test
    void anOlderReadingOfARowNeverReplacesALaterOne() throws InterruptedException {
        tables = tables();
        title = "first";
        ItemTable table = tables.of(PROPERTY);
        title = "older";
        tables.refresh(PROPERTY, List.of(ITEM));
        meanwhile.join();
        assertThat(matching(table, "newer")).containsExactly(ITEM);
    }

    private ItemTables tables() {
        KeptTables none = new KeptTables(mapper(KeptTableMapper.class), null, null, folder);
        return new ItemTables(mapper(ItemMapper.class), mapper(DraftMapper.class), none, JsonMapper.shared());
    }

    private static long[] matching(ItemTable table, String text) {
        return table.ids(
                new ItemFilter(text, null, null, null, null, null, null, null, null, null, null, null),
                null,
                ItemSort.ADDRESS,
                false);
    }

    /** Answers with one item; its title changes just after the table has read it. */
    private <T> T mapper(Class<T> type) {
        return type.cast(Proxy.newProxyInstance(
                type.getClassLoader(), new Class<?>[] {type}, (proxy, method, arguments) -> {
                    boolean rows = method.getName().equals("tableRows");
                    if (!rows && !method.getName().equals("tableItems")) return List.of();
                    ItemMapper.TableItem item = item(title);
                    List<?> read = List.of(rows ? new ItemMapper.TableRow(item, null, null, null, null, null) : item);
                    if (title.equals("before")) {
                        title = "after";
                        tables.refresh(PROPERTY, List.of(ITEM));
                    } else if (title.equals("older")) {
                        refreshMeanwhile();
                    }
                    return read;
                }));
    }

    /** Changes the row and refreshes it from another thread, as far as it gets while this one is reading. */
    private void refreshMeanwhile() {
        title = "newer";
        meanwhile = new Thread(() -> tables.refresh(PROPERTY, List.of(ITEM)));
        meanwhile.start();
        while (meanwhile.isAlive() && meanwhile.getState() != Thread.State.BLOCKED) Thread.onSpinWait();
    }

    private static ItemMapper.TableItem item(String title) {
        return new ItemMapper.TableItem(
                ITEM,
                "https://tarrin.example/",
                "/",
                200,
                true,
                "",
                0,
                0,
                new ItemMapper.Traits("", "", "", ""),
                new ItemMapper.Measured(title, 10, 0),
                new ItemMapper.Measured("", 0, 0),
                new ItemMapper.Measured(null, 0, 0));
    }
}
