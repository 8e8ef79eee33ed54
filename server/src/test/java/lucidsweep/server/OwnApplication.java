package lucidsweep.server;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.RunningApplication.Api;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The application on a folder of a test's own, in this process: it starts in half the time of a {@link KilledApplication}. */
final class OwnApplication implements AutoCloseable {

    private final ConfigurableApplicationContext context;

    private OwnApplication(ConfigurableApplicationContext context) {
        this.context = context;
    }

    /** Starts one on data that may have been there before. */
    static OwnApplication on(Path data, String... options) {
        EmptyDatabase.in(data);
        return asIs(data, options);
    }

    /** Starts one that makes its database itself where there is none. */
    static OwnApplication asIs(Path data, String... options) {
        List<String> all = new ArrayList<>(List.of(
                "--server.port=0", "--lucid.data=" + data, "--lucid.web=" + data, "--logging.level.root=error"));
        all.addAll(List.of(options));
        return new OwnApplication(new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run(all.toArray(String[]::new)));
    }

    ConfigurableApplicationContext context() {
        return context;
    }

    int port() {
        return Integer.parseInt(context.getEnvironment().getProperty("local.server.port"));
    }

    Api api() {
        return new Api(port());
    }

    @Override
    public void close() {
        context.close();
    }
}
