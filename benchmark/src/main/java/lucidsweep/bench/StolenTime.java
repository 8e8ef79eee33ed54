package lucidsweep.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;

/**
 * How much of the processors' time a shared machine gave to others while this one wanted it. A time that was measured
 * meanwhile is longer than it would be by about that share.
 *
 * <p>Read from the first line of Linux's /proc/stat: "cpu user nice system idle iowait irq softirq steal …", in hundredths of a
 * second over all processors.
 */
final class StolenTime {

    private static final Path COUNTERS = Path.of("/proc/stat");
    private static final int IDLE = 3;
    private static final int WAITING = 4;
    private static final int STOLEN = 7;

    private long[] before = read();

    /** The share since the last call, from 0 to 1; 0 where the machine does not tell. */
    double share() {
        long[] now = read();
        long stolen = now[STOLEN] - before[STOLEN];
        long wanted = sum(now) - sum(before);
        before = now;
        return wanted <= 0 ? 0 : (double) stolen / wanted;
    }

    private static long sum(long[] counters) {
        return Arrays.stream(counters).sum() - counters[IDLE] - counters[WAITING];
    }

    private static long[] read() {
        try {
            String[] all = Files.readAllLines(COUNTERS).get(0).trim().split("\\s+");
            return Arrays.stream(all, 1, STOLEN + 2).mapToLong(Long::parseLong).toArray();
        } catch (IOException e) {
            return new long[STOLEN + 1];
        }
    }
}
