package lucidsweep.server;

import java.io.BufferedReader;
import java.io.File;
import java.io.IOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.RunningApplication.Api;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The application in a process of its own that a test may kill. */
final class KilledApplication implements AutoCloseable {

    /** Where ./test built the application: its class archive takes a third off every start. Null where it did not. */
    private static final String BUILT = System.getProperty("lucid.built");

    private static final Path OWN_CLASSES = Path.of(URI.create(KilledApplication.class
            .getProtectionDomain()
            .getCodeSource()
            .getLocation()
            .toString()));

    private final Process process;
    private final Api api;

    private KilledApplication(Process process, Api api) {
        this.process = process;
        this.api = api;
    }

    /** Runs until it is killed; prints its port when it answers. */
    public static void main(String[] args) {
        OwnApplication application = OwnApplication.asIs(Path.of(args[0]), Arrays.copyOfRange(args, 1, args.length));
        System.out.println("port " + application.port());
        while (application.context().isRunning()) LockSupport.park();
    }

    /** Starts one on data that may have been there before. */
    static KilledApplication on(Path data, String... options) throws IOException {
        EmptyDatabase.in(data);
        Path said = data.resolve("said.txt");
        Process process = process(data, options);
        BufferedReader lines = process.inputReader();
        for (String line = lines.readLine(); line != null; line = lines.readLine()) {
            if (line.startsWith("port ")) {
                return new KilledApplication(process, new Api(Integer.parseInt(line.substring(5))));
            }
        }
        throw new IllegalStateException("the process ended by itself: " + Files.readString(said));
    }

    /** A process that starts one, without waiting for it. */
    static Process process(Path data, String... options) throws IOException {
        List<String> command = new ArrayList<>(List.of(
                ProcessHandle.current().info().command().orElse("java"),
                BUILT == null ? "-Xshare:auto" : "-XX:SharedArchiveFile=" + BUILT + "/app.jsa",
                // It lives for seconds: the best compiler would take more time than it saves.
                "-XX:TieredStopAtLevel=1",
                "-XX:+UseSerialGC",
                "-XX:MetaspaceSize=160m",
                "-cp",
                BUILT == null
                        ? System.getProperty("java.class.path")
                        : BUILT + "/server-1-app.jar" + File.pathSeparator + OWN_CLASSES,
                KilledApplication.class.getName(),
                data.toString()));
        command.addAll(Arrays.asList(options));
        return new ProcessBuilder(command)
                .redirectError(data.resolve("said.txt").toFile())
                .start();
    }

    Api api() {
        return api;
    }

    /** Kills it as a power cut would. */
    @Override
    public void close() {
        try {
            process.destroyForcibly().waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    /** The application in this process, to look at what the killed one left; it goes on with it. */
    static ConfigurableApplicationContext start(String data) {
        return new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data, "--logging.level.root=error");
    }
}
