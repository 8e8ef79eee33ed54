package lucidsweep.server.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PreferredWaitTest {

    @ParameterizedTest
    @CsvSource(delimiter = '|', nullValues = "none", textBlock = """
            wait=0                      | 0
            respond-async, Wait = 2     | 2
            wait="1"; of=patience       | 1
            wait=60                     | 3
            none                        | 3
            respond-async               | 3
            wait=soon                   | 3
            await=0                     | 3
            wait=-1                     | 3
            wait=99999999999999999999   | 3
            """)
    void isWhatTheHeaderSaysButNoMoreThanUsual(String header, long seconds) {
        assertThat(PreferredWait.of(header, Duration.ofSeconds(3))).hasSeconds(seconds);
    }
}
