package lucidsweep.server.gather.sweep;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** The sweeps of properties, crawls and imports alike, with how each was set. */
@Service
public class SweepStore {

    private final SweepMapper mapper;
    private final JsonMapper json;

    SweepStore(SweepMapper mapper, JsonMapper json) {
        this.mapper = mapper;
        this.json = json;
    }

    /**
     * A sweep that begins.
     *
     * @param kind crawl or import
     * @param source the address or the file's name
     * @param ofItems whether it sees the items of the property; an import of demand or results does not
     */
    public record NewSweep(long propertyId, long jobId, String kind, String source, boolean ofItems) {}

    /** Stores a sweep that is under way from now on, with how it is set. */
    public Sweep begin(NewSweep sweep, Object settings) {
        SweepMapper.Key key = new SweepMapper.Key();
        mapper.insert(key, sweep, json.writeValueAsString(settings));
        return mapper.find(key.id);
    }

    /** Says how a sweep ended: done, stopped, failed or taken-back. */
    public Sweep end(long id, String state) {
        mapper.end(id, state);
        return mapper.find(id);
    }

    /** Says that a sweep that ended goes on. */
    public Sweep reopen(long id) {
        mapper.reopen(id);
        return mapper.find(id);
    }

    public Sweep find(long id) {
        Sweep sweep = mapper.find(id);
        if (sweep == null) throw Refusal.notFound("there is no sweep " + id);
        return sweep;
    }

    /** The latest sweeps of a property, the last one first. */
    public List<Sweep> ofProperty(long propertyId) {
        return mapper.ofProperty(propertyId);
    }

    /** Refuses where a sweep of the property is under way. */
    public void refuseWhileRunning(long propertyId) {
        boolean running = mapper.ofProperty(propertyId).stream()
                .anyMatch(sweep -> sweep.state().equals("running"));
        if (running) throw Refusal.conflict("a sweep of this property is under way; stop it first or wait");
    }

    /** Sweeps of a kind that are under way, or were when the application ended. */
    public List<Sweep> unfinished(String kind) {
        return mapper.unfinished(kind);
    }

    /** When the last sweep of a property's items ended; empty where there was none. */
    public Optional<Instant> lastEnded(long propertyId) {
        return Optional.ofNullable(mapper.lastEnded(propertyId));
    }

    /** How a sweep was set. */
    public <T> T settings(long id, Class<T> type) {
        return json.readValue(mapper.settings(id), type);
    }

    public void setSettings(long id, Object settings) {
        mapper.setSettings(id, json.writeValueAsString(settings));
    }
}
