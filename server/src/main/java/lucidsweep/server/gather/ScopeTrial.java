package lucidsweep.server.gather;

import java.util.List;

/**
 * What a scope makes of the addresses that a property is known to have.
 *
 * @param inside how many it looks at; two that become one by their parameters count as one
 * @param outside how many it leaves out
 * @param samples some of them, of both kinds
 */
record ScopeTrial(int inside, int outside, List<Sample> samples) {

    /**
     * An address.
     *
     * @param normal as it would be asked
     * @param objection why it would be left out; null where it would not
     */
    record Sample(String address, String normal, String objection) {}
}
