package lucidsweep.server.portfolio;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.annotation.Nullable;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import lucidsweep.core.finding.Stake;
import lucidsweep.core.item.Field;
import lucidsweep.server.client.Property;

/**
 * Where a property stands.
 *
 * @param aimed items with a target
 * @param withFindings indexable items with at least one finding
 * @param stake what fixing them could win, in clicks a month; nothing where no demand was imported
 * @param due keywords and tags to look at again, whose month is there
 * @param lastSweep null where there was none
 * @param nextSweep null where none is planned
 */
public record Standing(
        Property property,
        String clientName,
        long items,
        long indexable,
        long keywords,
        long aimed,
        int due,
        long withFindings,
        Stake stake,
        @JsonUnwrapped Drafts drafts,
        @Nullable Instant lastSweep,
        @Nullable LocalDate nextSweep) {

    /**
     * Its drafts, counted.
     *
     * @param drafted those that wait to be looked at
     * @param approved those that wait to be delivered
     * @param delivered texts that were delivered
     * @param live those of them that the last sweep saw in place
     * @param improved items of releases that brought more clicks, as far as it has been worked out
     * @param draftedFields the fields of which there are drafts
     */
    public record Drafts(
            int drafted,
            int sentBack,
            int approved,
            int delivered,
            int live,
            int improved,
            List<Field> draftedFields) {}
}
