package lucidsweep.server.triage;

import java.util.List;
import java.util.Map;
import lucidsweep.core.effect.Effect;

/** Tells what became of items whose faults own releases mended; implemented by who follows releases. */
public interface MendedFaults {

    /**
     * Items that lost a fault, held against comparable ones.
     *
     * @param checkId of the fault
     * @param position where they stood on average
     * @param others by the ids of other checks, the share of the items that a release freed of these, too
     */
    record Mended(String checkId, Effect became, double position, Map<String, Double> others) {}

    /** The faults of which anything can be told yet, whether or not it stands out from chance. */
    List<Mended> mended(long propertyId);
}
