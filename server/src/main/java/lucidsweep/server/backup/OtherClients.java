package lucidsweep.server.backup;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.jdbc.core.JdbcTemplate;

/**
 * The clients besides one, in a copy of the database that nobody else uses. Of each table either their rows are removed, or
 * those of the one are put aside and back, whichever are fewer: a small client beside a large one is not copied at the speed
 * at which a large one is deleted.
 */
final class OtherClients {

    private final JdbcTemplate copy;
    private final long client;

    OtherClients(JdbcTemplate copy, long client) {
        this.copy = copy;
        this.client = client;
    }

    void remove() {
        Map<String, List<PropertyRows.Rows>> own = rows("client_id = " + client);
        // A table that others refer to is empty for a moment.
        copy.execute("set referential_integrity false");
        rows("client_id <> " + client)
                .forEach((table, others) -> remove(table, others, own.getOrDefault(table, List.of())));
        copy.execute("set referential_integrity true");
        copy.update("delete from property where client_id <> ?", client);
        copy.update("delete from client where id <> ?", client);
    }

    /** The rows of some properties by table, those that others refer to last. */
    private Map<String, List<PropertyRows.Rows>> rows(String properties) {
        return copy.queryForList("select id from property where " + properties, Long.class).stream()
                .flatMap(property -> new PropertyRows(copy, property).all().stream())
                .collect(Collectors.groupingBy(PropertyRows.Rows::table, LinkedHashMap::new, Collectors.toList()));
    }

    private void remove(String table, List<PropertyRows.Rows> others, List<PropertyRows.Rows> own) {
        long all = count(table, "true");
        long kept = own.stream().mapToLong(rows -> count(table, rows.where())).sum();
        if (kept == all) return;
        if (kept > all / 2) others.forEach(rows -> rows.delete(copy, any -> true));
        else keep(table, own);
    }

    private long count(String table, String where) {
        Long count = copy.queryForObject("select count(*) from " + table + " where " + where, Long.class);
        return count == null ? 0 : count;
    }

    private void keep(String table, List<PropertyRows.Rows> own) {
        String columns = String.join(
                ", ",
                copy.queryForList(
                        "select column_name from information_schema.columns where table_schema = 'PUBLIC'"
                                + " and table_name = ? and is_generated = 'NEVER' order by ordinal_position",
                        String.class,
                        table.toUpperCase(Locale.ROOT)));
        String select = "select " + columns + " from " + table + " where ";
        copy.execute("create table kept as " + select + "false");
        own.forEach(rows -> copy.execute("insert into kept " + select + rows.where()));
        copy.execute("truncate table " + table);
        copy.execute("insert into " + table + " (" + columns + ") overriding system value select * from kept");
        copy.execute("drop table kept");
    }
}
