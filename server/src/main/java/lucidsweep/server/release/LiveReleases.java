package lucidsweep.server.release;

import jakarta.annotation.Nullable;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.finding.Stake;
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
     * @param mended the ids of the checks whose findings it ended
     * @param won the clicks a month that it was estimated to win; null where that was not estimated
     */
    public record LiveText(
            long handoverId,
            long itemId,
            Field field,
            Instant delivered,
            Instant since,
            Set<String> mended,
            @Nullable Stake won) {

        private static LiveText of(LiveMapper.LiveLine line) {
            return new LiveText(
                    line.handoverId(),
                    line.itemId(),
                    line.field(),
                    line.created(),
                    line.since(),
                    line.mended() == null || line.mended().isEmpty()
                            ? Set.of()
                            : Set.of(line.mended().split(",")),
                    line.won() == null ? null : new Stake(line.won(), line.wonLow(), line.wonHigh()));
        }
    }

    /** All of a property, the earliest release first. */
    public List<LiveText> live(long propertyId) {
        return mapper.liveLines(propertyId).stream().map(LiveText::of).toList();
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
