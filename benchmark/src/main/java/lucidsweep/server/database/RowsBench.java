package lucidsweep.server.database;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Lang;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.apache.ibatis.datasource.unpooled.UnpooledDataSource;
import org.apache.ibatis.mapping.Environment;
import org.apache.ibatis.session.Configuration;
import org.apache.ibatis.session.ExecutorType;
import org.apache.ibatis.session.SqlSession;
import org.apache.ibatis.session.SqlSessionFactory;
import org.apache.ibatis.session.SqlSessionFactoryBuilder;
import org.apache.ibatis.transaction.jdbc.JdbcTransactionFactory;

/** What going round MyBatis' own ways gains: 100,000 records written and read, its way and ours in turn. */
public final class RowsBench {

    private static final int ROWS = 100_000;
    private static final int ROUNDS = 7;
    private static final int FLUSHED = 500;

    /** A row with a text, as drafts and findings have them. */
    public record Draft(long id, String text, int px, long alike, String state, long batchId, long revision) {}

    /** The statements that are compared. */
    public interface DraftMapper {
        @Update("create table draft (id bigint primary key, text varchar(1000), px int, alike bigint,"
                + " state varchar(12), batch_id bigint, revision bigint)")
        void create();

        @Update("truncate table draft")
        void empty();

        @Insert("insert into draft (id, text, px, alike, state, batch_id, revision)"
                + " values (#{id}, #{text}, #{px}, #{alike}, #{state}, #{batchId}, #{revision})")
        void insert(Draft draft);

        @Lang(ManyRows.class)
        @Insert("insert into draft (columns) values (rows)")
        void insertMany(List<Draft> drafts);

        @Select("select * from draft order by id")
        List<Draft> all();
    }

    private RowsBench() {}

    public static void main(String[] args) {
        SqlSessionFactory plain = factory(false);
        SqlSessionFactory ours = factory(true);
        List<Draft> drafts = new ArrayList<>();
        for (int i = 0; i < ROWS; i++) {
            drafts.add(new Draft(i, "Ash paddle number " + i + ", oiled by hand", 240, i * 31L, "drafted", 7, i));
        }
        double[][] seconds = new double[4][ROUNDS];
        for (int round = 0; round < ROUNDS; round++) {
            seconds[0][round] = seconds(() -> writeInBatches(plain, drafts));
            seconds[1][round] = seconds(() -> writeMany(ours, drafts));
            seconds[2][round] = seconds(() -> read(plain));
            seconds[3][round] = seconds(() -> read(ours));
        }
        line("100,000 rows written, a batch executor", seconds[0]);
        line("… a hundred rows to a statement (ManyRows)", seconds[1]);
        line("100,000 rows read, MyBatis' own mapping of records", seconds[2]);
        line("… straight from the rows (RecordRows)", seconds[3]);
    }

    private static SqlSessionFactory factory(boolean ours) {
        UnpooledDataSource source =
                new UnpooledDataSource("org.h2.Driver", "jdbc:h2:mem:rows;DB_CLOSE_DELAY=-1", "sa", "");
        Configuration configuration = new Configuration(new Environment("bench", new JdbcTransactionFactory(), source));
        configuration.setMapUnderscoreToCamelCase(true);
        configuration.setArgNameBasedConstructorAutoMapping(true);
        if (ours) configuration.addInterceptor(new RecordRows());
        configuration.addMapper(DraftMapper.class);
        SqlSessionFactory factory = new SqlSessionFactoryBuilder().build(configuration);
        if (ours) return factory;
        try (SqlSession session = factory.openSession(true)) {
            session.getMapper(DraftMapper.class).create();
        }
        return factory;
    }

    private static void writeInBatches(SqlSessionFactory factory, List<Draft> drafts) {
        try (SqlSession session = factory.openSession(ExecutorType.BATCH)) {
            DraftMapper mapper = session.getMapper(DraftMapper.class);
            mapper.empty();
            for (int i = 0; i < drafts.size(); i++) {
                mapper.insert(drafts.get(i));
                if (i % FLUSHED == FLUSHED - 1) session.flushStatements();
            }
            session.commit();
        }
    }

    private static void writeMany(SqlSessionFactory factory, List<Draft> drafts) {
        try (SqlSession session = factory.openSession()) {
            DraftMapper mapper = session.getMapper(DraftMapper.class);
            mapper.empty();
            ManyRows.each(drafts, mapper::insertMany);
            session.commit();
        }
    }

    private static void read(SqlSessionFactory factory) {
        try (SqlSession session = factory.openSession()) {
            int found = session.getMapper(DraftMapper.class).all().size();
            if (found != ROWS) throw new IllegalStateException(found + " rows were read instead of " + ROWS);
        }
    }

    private static double seconds(Runnable work) {
        long began = System.nanoTime();
        work.run();
        return (System.nanoTime() - began) / 1e9;
    }

    private static void line(String what, double[] seconds) {
        double[] later = Arrays.copyOfRange(seconds, 2, seconds.length);
        Arrays.sort(later);
        System.out.printf(
                Locale.ROOT,
                "%-58s %.3f s (%.3f to %.3f)%n",
                what,
                later[later.length / 2],
                later[0],
                later[later.length - 1]);
    }
}
