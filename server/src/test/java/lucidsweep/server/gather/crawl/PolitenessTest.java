package lucidsweep.server.gather.crawl;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PolitenessTest {

    @Test
    void neverFasterThanWhatWasSet() {
        Politeness politeness = new Politeness(4, 100);
        for (int i = 0; i < 1_000; i++) politeness.answered(200, 5, 0);
        assertThat(politeness.delayMs()).isEqualTo(100);
        assertThat(politeness.connections()).isEqualTo(4);
        politeness.atLeast(250);
        politeness.atLeast(50);
        assertThat(politeness.delayMs()).isEqualTo(250);
    }

    @Test
    void aRefusalSlowsItMoreAndMoreAndIsForgottenLittleByLittle() {
        Politeness politeness = new Politeness(8, 0);
        assertThat(politeness.answered(429, 5, 0)).isEqualTo(250);
        assertThat(politeness.answered(503, 5, 0)).isEqualTo(500);
        assertThat(politeness.answered(429, 5, 30_000))
                .as("the server knows better")
                .isEqualTo(30_000);
        assertThat(politeness.delayMs()).isEqualTo(1_000);
        assertThat(politeness.connections()).isEqualTo(1);
        long before = politeness.delayMs();
        for (int i = 0; i < 20; i++) politeness.answered(200, 5, 0);
        assertThat(politeness.delayMs()).isBetween(1L, before - 1);
        for (int i = 0; i < 400; i++) politeness.answered(200, 5, 0);
        assertThat(politeness.delayMs()).isZero();
        assertThat(politeness.connections()).isEqualTo(8);
    }

    @Test
    void aServerThatTakesLongerGetsFewerRequestsAtOnce() {
        Politeness politeness = new Politeness(8, 0);
        for (int i = 0; i < 40; i++) politeness.answered(200, 100, 0);
        assertThat(politeness.connections()).isEqualTo(8);
        for (int i = 0; i < 100; i++) politeness.answered(200, 2_000, 0);
        assertThat(politeness.connections()).isLessThan(3);
        for (int i = 0; i < 300; i++) politeness.answered(200, 100, 0);
        assertThat(politeness.connections()).isEqualTo(8);
    }

    @Test
    void aServerThatIsAlwaysSlowIsNotTakenForTired() {
        Politeness politeness = new Politeness(4, 0);
        for (int i = 0; i < 200; i++) politeness.answered(200, 3_000, 0);
        assertThat(politeness.connections()).isEqualTo(4);
    }
}
