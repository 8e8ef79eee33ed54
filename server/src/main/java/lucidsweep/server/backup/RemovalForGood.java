package lucidsweep.server.backup;

import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyRemovedForGood;
import lucidsweep.server.database.Durability;
import lucidsweep.server.job.Job;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.web.Refusal;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Service;

/**
 * Removes a client or a property with all its texts, files and logins, so that nobody can bring it back. That takes minutes
 * where there is much of it: it is long work, which goes on by itself where it was cut short.
 */
@Service
class RemovalForGood {

    private static final String KIND = "removal";
    private static final String GOES_ON = "The rest is removed later, by itself.";

    private final JdbcTemplate database;
    private final Durability durability;
    private final Clients clients;
    private final Jobs jobs;
    private final ApplicationEventPublisher publisher;

    /** What jobs are at work on, "client 7". */
    private final Set<String> underWay = ConcurrentHashMap.newKeySet();

    RemovalForGood(
            JdbcTemplate database,
            Durability durability,
            Clients clients,
            Jobs jobs,
            ApplicationEventPublisher publisher) {
        this.database = database;
        this.durability = durability;
        this.clients = clients;
        this.jobs = jobs;
        this.publisher = publisher;
    }

    /** Begins to remove a property that was removed before, by itself or with its client. */
    Job property(long id) {
        if (clients.propertyOrRemoved(id) == null) throw Refusal.notFound("there is no property " + id);
        if (!clients.isRemoved(id))
            throw Refusal.conflict("remove the property first; then it can be removed for good");
        requireIdle(id);
        return begin("property", id);
    }

    /** Begins to remove a client that was removed before, with all properties. */
    Job client(long id) {
        if (!clients.isClientRemoved(id))
            throw Refusal.conflict("remove the client first; then it can be removed for good");
        properties(id).forEach(this::requireIdle);
        return begin("client", id);
    }

    private void requireIdle(long property) {
        if (jobs.isBusy(property)) throw Refusal.conflict("work on this property is under way; stop it first");
    }

    private Job begin(String table, long id) {
        if (database.update("update " + table + " set leaving = true where id = ? and not leaving", id) == 0)
            throw Refusal.conflict("It is being removed for good already.");
        durability.await();
        try {
            return jobs.find(start(table, id));
        } catch (Refusal e) {
            database.update("update " + table + " set leaving = false where id = ?", id);
            throw e;
        }
    }

    private long start(String table, long id) {
        String name = name(table, id);
        underWay.add(name);
        try {
            // No name of what is gone stays behind in the list of jobs.
            return jobs.startForAll(KIND, "Removing a " + table + " for good", progress -> {
                try {
                    return remove(table, id, progress) ? "Removed for good." : GOES_ON;
                } catch (Refusal e) {
                    throw Refusal.conflict(e.getMessage() + " " + GOES_ON);
                } finally {
                    underWay.remove(name);
                }
            });
        } catch (Refusal e) {
            underWay.remove(name);
            throw e;
        }
    }

    private static String name(String table, long id) {
        return table + " " + id;
    }

    private boolean remove(String table, long id, Progress progress) {
        boolean isClient = table.equals("client");
        if (!remove(isClient ? properties(id) : List.of(id), progress)) return false;
        if (isClient) database.update("delete from client where id = ?", id);
        return true;
    }

    /** @return whether all of them are gone */
    private boolean remove(List<Long> properties, Progress progress) {
        List<PropertyRows> all =
                properties.stream().map(id -> new PropertyRows(database, id)).toList();
        long total = all.stream().mapToLong(PropertyRows::count).sum();
        long[] done = {0};
        for (int i = 0; i < all.size(); i++) {
            boolean gone = all.get(i).delete(some -> {
                progress.report(done[0] += some, total);
                return !progress.stopAsked();
            });
            if (!gone) return false;
            publisher.publishEvent(new PropertyRemovedForGood(properties.get(i)));
        }
        return true;
    }

    private List<Long> properties(long client) {
        return database.queryForList("select id from property where client_id = ?", Long.class, client);
    }

    /** Goes on after a start, and after there was no room on the disk or too much else to do. */
    @EventListener(ApplicationReadyEvent.class)
    @Scheduled(initialDelayString = "PT10M", fixedDelayString = "PT10M")
    void goOn() {
        for (String table : List.of("client", "property")) {
            for (long id : database.queryForList("select id from " + table + " where leaving", Long.class)) {
                if (underWay.contains(name(table, id))) continue;
                try {
                    start(table, id);
                } catch (Refusal tooMuchElseToDo) {
                    return;
                }
            }
        }
    }
}
