package lucidsweep.server.command;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The application without its interface, on a folder that is kept or thrown away in the end. */
final class StartedApplication implements AutoCloseable {

    private final ConfigurableApplicationContext application;
    private final Path thrownAway;

    private StartedApplication(ConfigurableApplicationContext application, Path thrownAway) {
        this.application = application;
        this.thrownAway = thrownAway;
    }

    /** @param kept the folder of its data; null for one that is thrown away */
    static StartedApplication start(Class<?> startable, Path kept) {
        Path thrownAway = kept == null ? temporaryFolder() : null;
        Path data = kept == null ? thrownAway : CommandFiles.folder(kept);
        return new StartedApplication(
                new SpringApplicationBuilder(startable)
                        .web(WebApplicationType.NONE)
                        .logStartupInfo(false)
                        .run("--lucid.data=" + data, "--lucid.go-on=false"),
                thrownAway);
    }

    <T> T get(Class<T> bean) {
        return application.getBean(bean);
    }

    @Override
    public void close() {
        application.close();
        if (thrownAway == null) return;
        try (Stream<Path> all = Files.walk(thrownAway)) {
            for (Path each : all.sorted(Comparator.reverseOrder()).toList()) Files.deleteIfExists(each);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Path temporaryFolder() {
        try {
            return Files.createTempDirectory("lucid-sweep-");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
