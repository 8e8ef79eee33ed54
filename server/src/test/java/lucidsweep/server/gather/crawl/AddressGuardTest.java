package lucidsweep.server.gather.crawl;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.net.URI;
import java.net.UnknownHostException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A crawl of a stranger's site is not led into the network that it runs in, whatever way the address is written. */
class AddressGuardTest {

    private static final AddressGuard GUARD = new AddressGuard(false);

    @ParameterizedTest
    @ValueSource(
            strings = {
                "127.0.0.1",
                "127.9.9.9",
                "localhost",
                "0.0.0.0",
                "10.1.2.3",
                "172.16.0.1",
                "172.31.255.255",
                "192.168.1.1",
                "169.254.169.254",
                "100.64.0.1",
                "224.0.0.1",
                "[::1]",
                "[::]",
                "[fe80::1]",
                "[fc00::1]",
                "[fd12:3456::1]",
                "[::ffff:127.0.0.1]",
                "[::ffff:10.0.0.1]",
                "198.18.0.1",
                "198.19.255.255",
                "192.0.0.8",
                "240.0.0.1",
                "255.255.255.255",
                "[::7f00:1]",
                "[64:ff9b::a00:1]",
                "[2002:7f00:1::1]"
            })
    void privateAddressesAreObjectedTo(String host) {
        assertThat(GUARD.objection(URI.create("http://" + host + "/")))
                .hasValueSatisfying(
                        why -> assertThat(why).contains("private address").contains("allow private addresses"));
        assertThatThrownBy(() -> GUARD.resolve(host.replaceAll("[\\[\\]]", "")))
                .as("and no connection is made to one")
                .isInstanceOf(UnknownHostException.class);
        assertThat(new AddressGuard(true).objection(URI.create("http://" + host + "/")))
                .isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"198.51.100.7", "198.20.0.1", "192.0.1.1", "172.32.0.1", "100.128.0.1", "[2001:db8::1]"})
    void publicOnesAreNot(String host) throws UnknownHostException {
        assertThat(GUARD.objection(URI.create("http://" + host + "/"))).isEmpty();
        assertThat(GUARD.resolve(host.replaceAll("[\\[\\]]", ""))).hasSize(1);
    }

    @Test
    void aHostThatIsNotThereIsSaidToBeSo() {
        assertThat(GUARD.objection(URI.create("http://nowhere.invalid/")))
                .contains("there is no host named nowhere.invalid");
    }
}
