package lucidsweep.server.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.file.Path;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.atomic.AtomicReference;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.web.Refusal;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

class JobsTest {

    @TempDir
    private Path data;

    private ConfigurableApplicationContext application;
    private Jobs jobs;
    private long property;
    private long another;

    @BeforeEach
    void start() {
        application = new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data);
        jobs = application.getBean(Jobs.class);
        Clients clients = application.getBean(Clients.class);
        long client =
                clients.addClient(new ClientForm("Tarrin Bay Kayaks", "", "")).id();
        property = clients.addProperty(new PropertyForm(client, PropertyKind.LISTINGS, "Shop", "", "en", false))
                .id();
        another = clients.addProperty(new PropertyForm(client, PropertyKind.LISTINGS, "Stall", "", "en", false))
                .id();
    }

    @AfterEach
    void end() {
        application.close();
    }

    @Test
    void everyJobEndsInAStateWhateverEndsIt() {
        long error = jobs.start(property, "batch", "t".repeat(900), progress -> {
            throw new StackOverflowError("x".repeat(70_000));
        });
        assertThat(jobs.awaitEnd(error).state()).isEqualTo(JobState.FAILED);
        assertThat(jobs.find(error).note()).startsWith("It failed: xxx").hasSize(2_000);
        long exception = jobs.start(property, "batch", "b", progress -> {
            throw new IllegalStateException();
        });
        assertThat(jobs.awaitEnd(exception).note()).isEqualTo("It failed: IllegalStateException");
        long done = jobs.start(property, "batch", "c", progress -> "n".repeat(5_000));
        assertThat(jobs.awaitEnd(done).state()).isEqualTo(JobState.DONE);
    }

    @Test
    void oneWriterOfAPropertyAtATimeAndTheNextIsToldWhoItIs() throws Exception {
        PropertyLine line = application.getBean(PropertyLine.class);
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch over = new CountDownLatch(1);
        Thread first = new Thread(() -> line.run(property, "a large batch", () -> {
            begun.countDown();
            await(over);
        }));
        first.start();
        await(begun);
        assertThat(line.<String>get(another, "a cell", () -> line.get(another, "within it", () -> "at once")))
                .as("another property does not wait")
                .isEqualTo("at once");
        AtomicReference<String> order = new AtomicReference<>("");
        Thread impatient = new Thread(() -> {
            Thread.currentThread().interrupt();
            assertThatThrownBy(() -> line.run(property, "a cell", () -> order.set("too early")))
                    .isInstanceOf(Refusal.class)
                    .hasMessageContaining("a large batch");
            order.accumulateAndGet("told", String::concat);
        });
        impatient.start();
        impatient.join();
        assertThat(order).hasValue("told");
        over.countDown();
        first.join();
        assertThat(line.<String>get(property, "a cell", () -> "its turn")).isEqualTo("its turn");
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
