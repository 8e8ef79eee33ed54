package lucidsweep.server.gather.schedule;

import java.util.List;

/** Where it is stored for which property or client something is done by itself, and when next. */
public interface Plans {

    /**
     * @param id of the property or client
     * @param nextDay as "2026-11-29"
     */
    record Plan(long id, String every, String nextDay) {}

    /** What is planned for one; null where nothing is. */
    Plan of(long id);

    /** What is due on a day or was before, of those that are not removed. */
    List<Plan> due(String day);

    void set(Plan plan);

    void remove(long id);
}
