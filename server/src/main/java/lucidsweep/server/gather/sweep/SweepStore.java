package lucidsweep.server.gather.sweep;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import lucidsweep.server.web.Refusal;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** The sweeps of properties, crawls and imports alike, with how each was set. */
@Service
public class SweepStore {

    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("HH:mm").withZone(ZoneId.systemDefault());

    private final SweepMapper mapper;
    private final JsonMapper json;

    SweepStore(SweepMapper mapper, JsonMapper json) {
        this.mapper = mapper;
        this.json = json;
    }

    /**
     * A sweep that begins.
     *
     * @param source the address or the file's name
     * @param ofItems whether it sees the items of the property; an import of demand or results does not
     * @param takenAt when what it reads was so, such as the day of an export; null for now
     */
    public record NewSweep(
            long propertyId, long jobId, Sweep.Kind kind, String source, boolean ofItems, Instant takenAt) {}

    /**
     * Stores a sweep that is under way from now on, with how it is set; within the transaction that makes its job.
     *
     * @throws Refusal where another of the property is under way: the database has one place for it
     */
    public Sweep begin(NewSweep sweep, Object settings) {
        SweepMapper.Key key = new SweepMapper.Key();
        try {
            mapper.insert(key, sweep, json.writeValueAsString(settings));
        } catch (DuplicateKeyException e) {
            throw underWay(sweep.propertyId());
        }
        return mapper.find(key.id);
    }

    private Refusal underWay(long propertyId) {
        Sweep other = mapper.running(propertyId);
        if (other == null) return Refusal.conflict("Another sweep of this property has just begun.");
        String what = other.kind() == Sweep.Kind.IMPORT ? "An import of " : "A sweep of ";
        return Refusal.conflict(what + other.source() + " is under way since " + TIME.format(other.started())
                + "; stop it first or wait.");
    }

    /** Says how a sweep ended. */
    public Sweep end(long id, Sweep.State state) {
        mapper.end(id, state);
        return mapper.find(id);
    }

    /**
     * Says that a sweep that ended is under way again.
     *
     * @throws Refusal where another of the property is
     */
    public Sweep reopen(long id) {
        try {
            mapper.reopen(id);
        } catch (DuplicateKeyException e) {
            throw underWay(find(id).propertyId());
        }
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

    /** All sweeps of a property of a kind, the last one first. */
    public List<Sweep> ofKind(long propertyId, Sweep.Kind kind) {
        return mapper.ofKind(propertyId, kind);
    }

    /** Sweeps of a kind that are under way, or were when the application ended. */
    public List<Sweep> unfinished(Sweep.Kind kind) {
        return mapper.unfinished(kind);
    }

    /** When the last sweep of the items of each of some properties ended; those without any are left out. */
    public Map<Long, Instant> lastEnded(Collection<Long> propertyIds) {
        return mapper.lastEnded(propertyIds.toArray()).stream()
                .collect(Collectors.toMap(SweepMapper.LastEnded::propertyId, SweepMapper.LastEnded::ended));
    }

    /** How a sweep was set. */
    public <T> T settings(long id, Class<T> type) {
        return json.readValue(mapper.settings(id), type);
    }

    public void setSettings(long id, Object settings) {
        mapper.setSettings(id, json.writeValueAsString(settings));
    }
}
