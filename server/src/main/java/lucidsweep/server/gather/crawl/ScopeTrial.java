package lucidsweep.server.gather.crawl;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import lucidsweep.core.page.AddressScope;

/**
 * What a scope makes of the addresses that a property is known to have.
 *
 * @param inside how many it looks at; two that become one by their parameters count as one
 * @param outside how many it leaves out
 * @param samples some of them, of both kinds
 */
record ScopeTrial(int inside, int outside, List<Sample> samples) {

    private static final int SAMPLES = 12;

    /**
     * An address.
     *
     * @param normal as it would be asked
     * @param objection why it would be left out; null where it would not
     */
    record Sample(String address, String normal, @Nullable String objection) {}

    /** Tries a scope on addresses, one after another. */
    static final class Counter {
        private final AddressScope scope;
        private final Set<String> inside = new HashSet<>();
        private final List<Sample> samples = new ArrayList<>();
        private int outside;
        private int insideSamples;

        Counter(AddressScope scope) {
            this.scope = scope;
        }

        void add(String address) {
            String normal = scope.normal(address);
            Optional<String> objection = scope.objection(normal);
            boolean shown =
                    objection.isPresent() ? outside++ < SAMPLES : inside.add(normal) && insideSamples++ < SAMPLES;
            if (shown) samples.add(new Sample(address, normal, objection.orElse(null)));
        }

        boolean isEmpty() {
            return inside.isEmpty() && outside == 0;
        }

        ScopeTrial result() {
            return new ScopeTrial(inside.size(), outside, samples);
        }
    }
}
