package lucidsweep.server.triage;

import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Stake;

/**
 * A finding and the address of its item.
 *
 * @param limit that the item is held to, in words; "" where there is none
 * @param counted false for findings of items that are not indexable, which are set apart
 */
public record FindingRow(String address, Check check, String evidence, String limit, Stake stake, boolean counted) {}
