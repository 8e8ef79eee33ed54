package lucidsweep.e2e;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A command that goes on, such as {@code ./start}, in a process group of its own as a terminal gives it. */
record RunningCommand(ProcessHandle process, Path output) {

    static final String READY = "Lucid Sweep is ready at ";
    static final String LOADED = "The demo client is loaded.";

    /** What lives for minutes does better without the best compiler. */
    static final Map<String, String> SHORT_LIVED = Map.of("JAVA_TOOL_OPTIONS", "-XX:TieredStopAtLevel=1");

    private static final int PATIENCE_SECONDS = 900;
    private static final Pattern ADDRESS = Pattern.compile(READY + "(http://\\S+)");

    /** Whether {@code ./test} runs this, which gives the first command of the README to build what all is tested with. */
    static boolean isFirstGiven() {
        return System.getProperty("lucid.first.said") != null;
    }

    /** That command. */
    static RunningCommand first() {
        if (!isFirstGiven()) throw new IllegalStateException("expected to be run by ./test");
        ProcessHandle process =
                ProcessHandle.of(Long.getLong("lucid.first.pid")).orElseThrow();
        return new RunningCommand(process, Path.of(System.getProperty("lucid.first.said")));
    }

    /** Gives one in a folder; what it says goes to a file. */
    static RunningCommand start(Path folder, Path output, String... command) throws IOException {
        List<String> words = new ArrayList<>(List.of("setsid"));
        words.addAll(List.of(command));
        ProcessBuilder builder = new ProcessBuilder(words)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(output.toFile());
        builder.environment().putAll(SHORT_LIVED);
        return new RunningCommand(builder.start().toHandle(), output);
    }

    String said() {
        try {
            return Files.readString(output, UTF_8);
        } catch (IOException e) {
            throw new IllegalStateException(e);
        }
    }

    void awaitLine(String wanted) throws InterruptedException {
        for (int tenth = 0; tenth < PATIENCE_SECONDS * 10; tenth++) {
            if (said().contains(wanted)) return;
            if (!process.isAlive() && !said().contains(wanted)) break;
            TimeUnit.MILLISECONDS.sleep(100);
        }
        throw new AssertionError("expected “" + wanted + "” but it said:\n" + said());
    }

    /** Where the application that it started answers. */
    String address() {
        Matcher address = ADDRESS.matcher(said());
        assertThat(address.find()).as(said()).isTrue();
        return address.group(1);
    }

    /** What that application answers. */
    String get(String path) throws IOException, InterruptedException {
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(URI.create(address() + path)).build(),
                        HttpResponse.BodyHandlers.ofString())
                .body();
    }

    /** Ctrl+C reaches every process of the group, and none is left. */
    void interrupt() throws Exception {
        assertThat(signal("-INT")).isZero();
        process.onExit().get(30, TimeUnit.SECONDS);
        assertThat(signal("-0")).as("processes that are left").isNotZero();
    }

    /** Ends every process of the group as a power cut does. */
    void kill() throws Exception {
        assertThat(signal("-KILL")).isZero();
        process.onExit().get(30, TimeUnit.SECONDS);
    }

    private int signal(String signal) throws IOException, InterruptedException {
        return new ProcessBuilder("kill", signal, "--", "-" + process.pid())
                .redirectError(ProcessBuilder.Redirect.DISCARD)
                .start()
                .waitFor();
    }
}
