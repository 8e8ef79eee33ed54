package lucidsweep.server.gather.schedule;

import java.util.List;

/** Where it is stored what is done by itself for which property, and when next. */
public interface Plans {

    /** @param nextDay as "2026-11-29" */
    record Plan(long propertyId, String every, String nextDay) {}

    /** What is planned for a property; null where nothing is. */
    Plan of(long propertyId);

    /** What is due on a day or was before, of properties that are not removed. */
    List<Plan> due(String day);

    void set(Plan plan);

    void remove(long propertyId);
}
