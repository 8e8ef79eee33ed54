package lucidsweep.bench;

import java.util.Random;
import java.util.concurrent.TimeUnit;
import lucidsweep.core.text.MetricFace;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.RunnerException;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.VerboseMode;

/** Titles measured a second on one core. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class MeasureBench {

    private static final int TITLES = 10_000;
    private final String[] titles = titles();

    @Benchmark
    @OperationsPerInvocation(TITLES)
    public double titles10000() {
        double sum = 0;
        for (String title : titles) sum += MetricFace.arimo().width(title, 20);
        return sum;
    }

    static void report() throws RunnerException {
        RunResult result = new Runner(new OptionsBuilder()
                        .include(MeasureBench.class.getName())
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .runSingle();
        double rate = result.getPrimaryResult().getScore();
        Report.line(
                "Titles measured a second and core (JMH)",
                ">= 1,000,000",
                Report.format("%,.0f", rate),
                rate >= 1_000_000);
    }

    private static String[] titles() {
        Random random = new Random(1);
        String[] words =
                "Kayak hire in Tarrin Bay – guided tours, lessons & wooden boats | AVA To Wet Fjørd".split(" ");
        String[] titles = new String[TITLES];
        for (int i = 0; i < TITLES; i++) {
            StringBuilder title = new StringBuilder();
            while (title.length() < 45 + i % 20)
                title.append(words[random.nextInt(words.length)]).append(' ');
            titles[i] = title.toString();
        }
        return titles;
    }
}
