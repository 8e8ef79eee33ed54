package lucidsweep.e2e;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.io.TempDir;

/**
 * The commands of the README and of docs/api.md as they stand there, in the copy of the checkout that {@code ./test} made of
 * what git holds: started, used, ended, and refused in a sentence where they cannot run. {@code ./test} has given the first of
 * them already, since it builds what all is tested with.
 */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class ReadmeTest {

    private static final Path COPY = Path.of("..").toAbsolutePath().normalize();
    private static final Pattern BLOCK = Pattern.compile("(?m)^```\\n(.*?)^```$", Pattern.DOTALL);
    private static final int PATIENCE_SECONDS = 900;

    @TempDir
    static Path temporary;

    private final List<RunningCommand> running = new ArrayList<>();

    private record Ended(int status, String said) {

        /** Refused in a sentence, with a status, and without a trace of our insides. */
        void isOneSentence(String part) {
            assertThat(status).as(said).isIn(1, 2);
            assertThat(said.strip()).contains(part).doesNotContain("\tat ").doesNotContain("Exception");
            assertThat(said.strip().lines()).as(said).hasSize(1);
        }
    }

    @AfterEach
    void end() throws Exception {
        for (RunningCommand each : running) if (each.process().isAlive()) each.interrupt();
    }

    /** JUnit warns of each link that leads out of a folder it deletes: here a thousand lines, which hid a failed test. */
    @AfterAll
    static void deleteLinks() throws IOException, InterruptedException {
        run(Map.of(), COPY, "find", temporary.toString(), "-type", "l", "-delete");
    }

    /** The command blocks of a document, in their order. */
    private static List<String> blocks(String document) throws IOException {
        List<String> found = new ArrayList<>();
        Matcher blocks = BLOCK.matcher(Files.readString(COPY.resolve(document), UTF_8));
        while (blocks.find()) found.add(blocks.group(1));
        return found;
    }

    private static Ended run(Map<String, String> environment, Path folder, String... command)
            throws IOException, InterruptedException {
        Path output = Files.createTempFile(temporary, "said", ".txt");
        ProcessBuilder builder = new ProcessBuilder(command)
                .directory(folder.toFile())
                .redirectErrorStream(true)
                .redirectOutput(output.toFile());
        builder.environment().putAll(environment);
        Process process = builder.start();
        assertThat(process.waitFor(PATIENCE_SECONDS, TimeUnit.SECONDS))
                .as(String.join(" ", command))
                .isTrue();
        return new Ended(process.exitValue(), Files.readString(output, UTF_8));
    }

    private static Ended bash(String script) throws IOException, InterruptedException {
        return run(RunningCommand.SHORT_LIVED, COPY, "bash", "-euo", "pipefail", "-c", script);
    }

    private RunningCommand start(Path folder, String... command) throws IOException {
        RunningCommand started =
                RunningCommand.start(folder, Files.createTempFile(temporary, "start", ".txt"), command);
        running.add(started);
        return started;
    }

    @Test
    @Order(1)
    void theFirstCommandBuildsStartsAndLoadsTheDemo() throws Exception {
        String command = blocks("README.md").get(0).strip();
        assertThat(command).isEqualTo("./start");
        RunningCommand first = RunningCommand.first();
        first.awaitLine(RunningCommand.READY);
        assertThat(first.address()).endsWith(":8420");
        assertThat(first.said())
                .contains("Building the application (1 of 4")
                .contains("Building the interface (4 of 4)")
                .contains("Its data is in " + COPY.resolve("data") + "; press Ctrl+C to stop it.")
                .doesNotContain("No active profile")
                .doesNotContain("Flyway");
        first.awaitLine(RunningCommand.LOADED);
        assertThat(first.get("/api/portfolio")).contains("Website", "Shop listings", "Channel");
        assertThat(Files.getPosixFilePermissions(COPY.resolve("data"))).hasSize(3);

        run(Map.of(), COPY, "./start").isOneSentence("Port 8420 is in use");
        run(Map.of(), COPY, "./start", "--port", "8440").isOneSentence("Another Lucid Sweep is using this data folder");

        String commands = blocks("README.md").stream()
                .filter(block -> block.startsWith("./lucid"))
                .findFirst()
                .orElseThrow();
        for (String line : commands.lines().toList()) {
            Ended ended = bash(line);
            assertThat(ended.status).as(line + "\n" + ended.said).isZero();
        }
        for (String file : List.of("sweep/items.csv", "read/rows.csv", "aim/targets.csv")) {
            assertThat(Files.readAllLines(COPY.resolve("out").resolve(file))).hasSizeGreaterThan(2);
        }
        Ended api = bash(blocks("docs/api.md").get(0));
        assertThat(api.status).as(api.said).isZero();
        assertThat(api.said).contains("A better title").contains("address,field,before,after");
    }

    /** With a relative folder. */
    @Test
    @Order(2)
    void theOtherFormOfStartWorksFromAnywhere() throws Exception {
        String other = blocks("README.md").get(1).strip();
        assertThat(other).isEqualTo("./start --port 8430 --data \"my clients\" --empty");
        Path elsewhere = Files.createDirectory(temporary.resolve("elsewhere"));
        RunningCommand relative =
                start(elsewhere, "bash", "-c", other.replace("./start", "'" + COPY.resolve("start") + "'"));
        relative.awaitLine(RunningCommand.READY);
        assertThat(relative.get("/api/clients")).isEqualTo("[]");
        assertThat(elsewhere.resolve("my clients/lucid-sweep.mv.db")).exists();
        relative.interrupt();
    }

    @Test
    @Order(3)
    void whatCannotRunIsRefusedInOneSentence() throws Exception {
        run(Map.of(), COPY, "./start", "--port", "80").isOneSentence("expected a number from 1024 to 65534");
        run(Map.of(), COPY, "./start", "--port").isOneSentence("expected a number from 1024 to 65534");
        run(Map.of(), COPY, "./start", "--colour").isOneSentence("There is no option --colour");
        run(Map.of(), COPY, "./start", "--data").isOneSentence("--data needs a folder");
        run(Map.of(), COPY, "./start", "--data", "/proc/nowhere").isOneSentence("cannot be written to");
        run(Map.of(), COPY, "./lucid", "polish").isOneSentence("polish");
        run(Map.of(), COPY, "./lucid", "sweep", "nowhere", "--out", "out").isOneSentence("expected an address");
        run(Map.of(), COPY, "./lucid", "read", "docs/examples/listings.csv", "--kind", "listings", "--out", "/proc/x")
                .isOneSentence("cannot make the folder /proc/x");
        run(machineWithout("java"), COPY, "./start").isOneSentence("Java 17 or later is missing");
        Path unbuilt = Files.createDirectory(temporary.resolve("not built yet"));
        for (String part : List.of("start", "tools/build.sh")) {
            Files.createDirectories(unbuilt.resolve(part).getParent());
            Files.copy(COPY.resolve(part), unbuilt.resolve(part), StandardCopyOption.COPY_ATTRIBUTES);
        }
        run(machineWithout("node"), unbuilt, "./start").isOneSentence("Node.js 20 or later is missing");
    }

    /** A path to everything on this machine but a command, and but what could install it. */
    private static Map<String, String> machineWithout(String command) throws IOException {
        Path tools = Files.createTempDirectory(temporary, "tools");
        Set<String> hidden = Set.of(command, "apt-get");
        for (String folder : System.getenv("PATH").split(":")) {
            if (!Files.isDirectory(Path.of(folder))) continue;
            try (Stream<Path> commands = Files.list(Path.of(folder))) {
                for (Path each : commands.toList()) {
                    Path link = tools.resolve(each.getFileName());
                    if (!hidden.contains(each.getFileName().toString()) && !Files.exists(link)) {
                        Files.createSymbolicLink(link, each);
                    }
                }
            }
        }
        return Map.of("PATH", tools.toString());
    }
}
