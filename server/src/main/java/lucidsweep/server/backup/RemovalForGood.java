package lucidsweep.server.backup;

import java.util.List;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyRemovedForGood;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.web.Refusal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Service;

/** Removes a client or a property with all its texts, files and logins, so that nobody can bring it back. */
@Service
class RemovalForGood {

    private final JdbcTemplate database;
    private final Clients clients;
    private final Jobs jobs;
    private final ApplicationEventPublisher publisher;

    RemovalForGood(JdbcTemplate database, Clients clients, Jobs jobs, ApplicationEventPublisher publisher) {
        this.database = database;
        this.clients = clients;
        this.jobs = jobs;
        this.publisher = publisher;
    }

    /** A property that was removed before, by itself or with its client. */
    void property(long id) {
        if (clients.propertyOrRemoved(id) == null) throw Refusal.notFound("there is no property " + id);
        if (!clients.isRemoved(id))
            throw Refusal.conflict("remove the property first; then it can be removed for good");
        if (jobs.isBusy(id)) throw Refusal.conflict("work on this property is under way; stop it first");
        new PropertyRows(database, id).delete();
        publisher.publishEvent(new PropertyRemovedForGood(id));
    }

    /** A client that was removed before, with all properties. */
    void client(long id) {
        if (!clients.isClientRemoved(id))
            throw Refusal.conflict("remove the client first; then it can be removed for good");
        properties(id).forEach(this::property);
        database.update("delete from client where id = ?", id);
    }

    private List<Long> properties(long client) {
        return database.queryForList("select id from property where client_id = ?", Long.class, client);
    }
}
