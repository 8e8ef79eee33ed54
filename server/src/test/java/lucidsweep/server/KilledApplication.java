package lucidsweep.server;

import java.util.List;
import java.util.concurrent.locks.LockSupport;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.gather.CrawlSettings;
import lucidsweep.server.gather.Sweeps;
import lucidsweep.server.job.Job;
import lucidsweep.server.job.Jobs;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/**
 * The application in a process of its own that a test may kill: sweeps a website, or goes on with the sweep that was
 * begun, and prints how many addresses are done, line by line, and "ended" at the end.
 */
final class KilledApplication {

    private static final CrawlSettings SETTINGS = CrawlSettings.of(100_000, 50, 3, 8);

    private KilledApplication() {}

    public static void main(String[] args) {
        try (ConfigurableApplicationContext application = start(args[0])) {
            Clients clients = application.getBean(Clients.class);
            List<Property> known = clients.properties();
            long job = 1;
            if (known.isEmpty()) {
                long client = clients.addClient(new ClientForm("Large", "", "")).id();
                Property property =
                        clients.addProperty(new PropertyForm(client, "website", "Large", args[1], "en", true));
                job = application
                        .getBean(Sweeps.class)
                        .start(property.id(), SETTINGS)
                        .jobId();
            }
            Job state = application.getBean(Jobs.class).find(job);
            while (state.state().equals("running")) {
                System.out.println(state.done());
                LockSupport.parkNanos(10_000_000);
                state = application.getBean(Jobs.class).find(job);
            }
            System.out.println("ended " + state.state() + " " + state.note());
        }
    }

    static ConfigurableApplicationContext start(String data) {
        return new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data, "--logging.level.root=error");
    }
}
