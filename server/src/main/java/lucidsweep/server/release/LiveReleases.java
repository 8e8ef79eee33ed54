package lucidsweep.server.release;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.item.Field;
import org.springframework.stereotype.Service;

/** Which texts of a property's releases are live, and since when. */
@Service
public class LiveReleases {

    private final LiveMapper mapper;

    LiveReleases(LiveMapper mapper) {
        this.mapper = mapper;
    }

    /**
     * A text that is live.
     *
     * @param delivered when it was delivered: until then it cannot have been live
     * @param since when a sweep saw it first
     */
    public record LiveText(long handoverId, long itemId, Field field, Instant delivered, Instant since) {}

    /** All of a property, the earliest release first. */
    public List<LiveText> live(long propertyId) {
        return mapper.liveLines(propertyId).stream()
                .map(line -> new LiveText(line.handoverId(), line.itemId(), line.field(), line.created(), line.since()))
                .toList();
    }

    /** How many texts of each release of a property are live; those of which none is are left out. */
    public Map<Long, Integer> counts(long propertyId) {
        return mapper.counts(propertyId).stream()
                .filter(count -> count.live() == LiveState.LIVE)
                .collect(Collectors.toMap(LiveMapper.Count::handoverId, LiveMapper.Count::texts));
    }

    /** The items that were changed by any release: all others were left alone. */
    public Set<Long> touched(long propertyId) {
        return Set.copyOf(mapper.touched(propertyId));
    }
}
