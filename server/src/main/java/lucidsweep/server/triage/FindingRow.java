package lucidsweep.server.triage;

import lucidsweep.core.finding.Check;
import lucidsweep.core.finding.Stake;

/**
 * A finding and the address of its item.
 *
 * @param counted false for findings of items that are not indexable, which are set apart
 */
public record FindingRow(String address, Check check, String evidence, Stake stake, boolean counted) {}
