package lucidsweep.server.gather.crawl;

import java.net.InetAddress;
import java.net.UnknownHostException;

/**
 * A block of addresses of IPv4 or IPv6.
 *
 * @param first its first address, 4 or 16 bytes
 * @param bits how many bits all of its addresses share
 */
record AddressBlock(byte[] first, int bits) {

    /** Reads a block as it is written in the registries: {@code 198.18.0.0/15}. */
    static AddressBlock of(String written) {
        int slash = written.indexOf('/');
        try {
            byte[] first = InetAddress.getByName(written.substring(0, slash)).getAddress();
            return new AddressBlock(first, Integer.parseInt(written.substring(slash + 1)));
        } catch (UnknownHostException e) {
            throw new IllegalArgumentException(
                    "expected a block of addresses such as 198.18.0.0/15, got " + written, e);
        }
    }

    boolean contains(InetAddress address) {
        byte[] bytes = address.getAddress();
        if (bytes.length != first.length) return false;
        for (int bit = 0; bit < bits; bit++) {
            int mask = 0x80 >> bit % 8;
            if ((bytes[bit / 8] & mask) != (first[bit / 8] & mask)) return false;
        }
        return true;
    }
}
