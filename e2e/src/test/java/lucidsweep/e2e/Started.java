package lucidsweep.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.standins.MailServer;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** The application as its own command starts it, with the demo client really loaded, and a browser; both for all tests. */
public final class Started implements ParameterResolver {

    @Override
    public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
        return parameter.getParameter().getType() == Stage.class;
    }

    @Override
    public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
        return context.getRoot()
                .getStore(ExtensionContext.Namespace.GLOBAL)
                .getOrComputeIfAbsent(Stage.class, key -> new Stage(), Stage.class);
    }

    /** The running application and a browser to drive it with. */
    public static final class Stage implements AutoCloseable {
        private static final List<String> CHROMIUM_FLAGS = List.of(
                "--headless",
                "--no-sandbox",
                "--disable-gpu",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync");

        private static final double ASSERTION_MS = 60_000;

        private final MailServer mail;
        private final RunningCommand application;
        private final boolean started;
        private final Playwright playwright;
        private final Browser browser;

        /** On the application that {@code ./test} started, which sends its mails to a port that was set; else on one of its own. */
        private Stage() {
            try {
                started = !RunningCommand.isFirstGiven();
                mail = new MailServer(Integer.getInteger("lucid.first.mail", 0));
                application = started ? start(mail.port()) : RunningCommand.first();
                application.awaitLine(RunningCommand.LOADED);
            } catch (IOException | InterruptedException e) {
                throw new IllegalStateException("the application cannot be started", e);
            }
            try {
                // A busy machine takes its time.
                PlaywrightAssertions.setDefaultAssertionTimeout(ASSERTION_MS);
                playwright = Playwright.create();
                browser = playwright
                        .chromium()
                        .launch(new BrowserType.LaunchOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setArgs(CHROMIUM_FLAGS));
            } catch (RuntimeException e) {
                if (started) application.process().destroy();
                throw e;
            }
        }

        private static RunningCommand start(int mailPort) throws IOException {
            Path data = Files.createTempDirectory("lucid-e2e-");
            return RunningCommand.start(
                    Path.of(".."),
                    data.resolve("said.txt"),
                    "./start",
                    "--port",
                    "" + freePort(),
                    "--data",
                    data.toString(),
                    "--mail",
                    "127.0.0.1:" + mailPort);
        }

        public Browser browser() {
            return browser;
        }

        public String address() {
            return application.address();
        }

        /** What the application sends its mails to. */
        MailServer mail() {
            return mail;
        }

        static int freePort() throws IOException {
            for (int port = 8530; port < 8600; port += 2) {
                try (ServerSocket one = new ServerSocket(port);
                        ServerSocket two = new ServerSocket(port + 1)) {
                    return two.isBound() ? one.getLocalPort() : port;
                } catch (IOException taken) {
                    continue;
                }
            }
            throw new IOException("no two free ports between 8530 and 8600");
        }

        @Override
        public void close() throws Exception {
            playwright.close();
            mail.close();
            if (started) application.interrupt();
        }
    }
}
