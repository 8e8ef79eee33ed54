package lucidsweep.core.page;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import lucidsweep.core.page.Redirects.Redirect;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.RepetitionInfo;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RedirectsTest {

    /** Redirects are written "ab bc": a leads to b, b to c. */
    @ParameterizedTest
    @CsvSource({
        "'', ab, ab",
        "'', ab bc, ac bc",
        "ab, bc, ac bc",
        "ab, ba, ba",
        "ab bc, cd, ad bd cd",
        "ab, ab, ''",
        "ab, ac, ac",
        "ab cb, bd, ad cd bd",
        "'', ab ba, ''",
    })
    void leadToTheirEndInOneStep(String before, String now, String due) {
        assertThat(written(Redirects.of(read(before), read(now)))).isEqualTo(due);
    }

    private static List<Redirect> read(String written) {
        return written.isEmpty()
                ? List.of()
                : Arrays.stream(written.split(" "))
                        .map(pair -> new Redirect(pair.substring(0, 1), pair.substring(1)))
                        .toList();
    }

    private static String written(List<Redirect> redirects) {
        return redirects.stream().map(each -> each.from() + each.to()).collect(Collectors.joining(" "));
    }

    /** Whatever is delivered one after another, a server that has all of it sends nobody twice. */
    @RepeatedTest(200)
    void neverChainNorCircle(RepetitionInfo repetition) {
        Random random = new Random(repetition.getCurrentRepetition());
        List<Redirect> delivered = new ArrayList<>();
        Map<String, String> server = new HashMap<>();
        Map<String, String> standsAt = new HashMap<>();
        for (char page = 'a'; page < 'g'; page++) standsAt.put("page " + page, String.valueOf(page));
        for (int round = 0; round < 6; round++) {
            String page = "page " + (char) ('a' + random.nextInt(6));
            String to = String.valueOf((char) ('a' + random.nextInt(12)));
            if (standsAt.containsValue(to)) continue;
            List<Redirect> now = List.of(new Redirect(standsAt.get(page), to));
            // A page that is put where something led from is there itself.
            server.remove(to);
            Redirects.of(delivered, now).forEach(each -> server.put(each.from(), each.to()));
            delivered.addAll(now);
            standsAt.put(page, to);
            server.forEach((from, end) -> {
                assertThat(server).doesNotContainKey(end);
                assertThat(from).isNotEqualTo(end);
            });
        }
    }
}
