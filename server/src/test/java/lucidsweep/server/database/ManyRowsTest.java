package lucidsweep.server.database;

import static org.assertj.core.api.Assertions.assertThat;

import java.sql.Connection;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.mapping.Environment;
import org.apache.ibatis.session.Configuration;
import org.apache.ibatis.session.SqlSession;
import org.apache.ibatis.session.SqlSessionFactoryBuilder;
import org.apache.ibatis.transaction.jdbc.JdbcTransactionFactory;
import org.h2.jdbcx.JdbcDataSource;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.jdbc.core.JdbcTemplate;

class ManyRowsTest {

    record Oar(long id, String madeOf, Integer lengthCm, boolean isSold, byte[] mark) {}

    interface Oars {
        @Lang(ManyRows.class)
        @Insert("insert into oar (columns) values (rows)")
        void insert(List<Oar> oars);

        @Lang(ManyRows.class)
        @Insert("merge into oar (columns) key (id) values (rows)")
        void put(List<Oar> oars);
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 9, 10, 100, 237})
    void anyNumberOfRowsIsWrittenInTheirOrder(int count) throws Exception {
        JdbcDataSource source = new JdbcDataSource();
        source.setURL("jdbc:h2:mem:oars");
        try (Connection keepsItOpen = source.getConnection()) {
            JdbcTemplate database = new JdbcTemplate(source);
            database.execute("create table oar (id bigint primary key, made_of varchar(20), length_cm int,"
                    + " is_sold boolean, mark varbinary(9))");
            Configuration configuration =
                    new Configuration(new Environment("test", new JdbcTransactionFactory(), source));
            configuration.addMapper(Oars.class);
            List<Integer> sizes = new ArrayList<>();
            try (SqlSession session =
                    new SqlSessionFactoryBuilder().build(configuration).openSession()) {
                Oars mapper = session.getMapper(Oars.class);
                ManyRows.each(oars(count, "ash"), mapper::insert);
                ManyRows.each(oars(count + 3, "yew"), some -> {
                    sizes.add(some.size());
                    mapper.put(some);
                });
                session.commit();
            }
            assertThat(sizes).isSubsetOf(100, 10, 1);
            assertThat(sizes.stream().mapToInt(size -> size).sum()).isEqualTo(count + 3);
            assertThat(database.queryForList(
                            "select id || made_of || coalesce(length_cm, 0) || is_sold"
                                    + " || coalesce(rawtohex(mark), '-') from oar order by id",
                            String.class))
                    .isEqualTo(IntStream.range(0, count + 3)
                            .mapToObj(i -> i + "yew" + (i % 5 == 0 ? 0 : 200 + i) + (i % 2 == 0 ? "TRUE" : "FALSE")
                                    + (i % 3 == 0 ? "-" : "%02x".formatted(i % 100)))
                            .toList());
        }
    }

    private static List<Oar> oars(int count, String wood) {
        return IntStream.range(0, count)
                .mapToObj(i -> new Oar(
                        i,
                        wood,
                        i % 5 == 0 ? null : 200 + i,
                        i % 2 == 0,
                        i % 3 == 0 ? null : new byte[] {(byte) (i % 100)}))
                .toList();
    }
}
