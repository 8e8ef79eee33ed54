package lucidsweep.server.table;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

class BoundedLinesTest {

    private static final int LONGEST = 20_000;

    @Test
    void linesOfAnyLengthAndEndAreReadAndTooLongOnesCut() throws IOException {
        Random random = new Random(7);
        List<String> ends = List.of("\n", "\r", "\r\n");
        List<String> written = new ArrayList<>();
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 600; i++) {
            // A return before an empty line that ends in a line feed would be one end.
            int length = i % 3 == 0 ? 1 + random.nextInt(LONGEST * 3 / 2) : 1 + random.nextInt(40);
            String line = "paddle ".repeat(length / 7 + 1).substring(0, length);
            written.add(line);
            text.append(line).append(ends.get(random.nextInt(3)));
        }
        text.append("\n\nlast");
        written.addAll(List.of("", "", "last"));
        if (text.charAt(text.length() - 7) == '\r') written.remove("");
        BoundedLines lines = new BoundedLines(new StringReader(text.toString()), LONGEST);
        for (String line : written) {
            assertThat(lines.next()).isEqualTo(line.substring(0, Math.min(LONGEST, line.length())));
            assertThat(lines.wasCut()).isEqualTo(line.length() > LONGEST);
        }
        assertThat(lines.next()).isNull();
    }
}
