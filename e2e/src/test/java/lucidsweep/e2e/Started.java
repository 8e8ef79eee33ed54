package lucidsweep.e2e;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import lucidsweep.standins.MailServer;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** Starts the application by its own command, with the demo client really loaded, and a browser; both for all tests. */
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

        private final MailServer mail = new MailServer();
        private final Process process;
        private final Playwright playwright;
        private final Browser browser;
        private final String address;

        private Stage() {
            try {
                int port = freePort();
                address = "http://127.0.0.1:" + port;
                Path data = Files.createTempDirectory("lucid-e2e-");
                ProcessBuilder start = new ProcessBuilder(
                                "./start",
                                "--port",
                                "" + port,
                                "--data",
                                data.toString(),
                                "--mail",
                                "127.0.0.1:" + mail.port())
                        .directory(Path.of("..").toFile())
                        .redirectErrorStream(true);
                // It lives for minutes: the best compiler would take more time than it saves.
                start.environment().put("JAVA_TOOL_OPTIONS", "-XX:TieredStopAtLevel=1");
                process = start.start();
                awaitLine("The demo client is loaded.");
            } catch (IOException e) {
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
                process.destroy();
                throw e;
            }
        }

        public Browser browser() {
            return browser;
        }

        public String address() {
            return address;
        }

        /** What the application sends its mails to. */
        MailServer mail() {
            return mail;
        }

        private void awaitLine(String wanted) throws IOException {
            BufferedReader out =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
            List<String> seen = new ArrayList<>();
            for (String line; (line = out.readLine()) != null; ) {
                seen.add(line);
                if (line.contains(wanted)) {
                    Thread drain = new Thread(() -> out.lines().forEach(rest -> {}), "start-output");
                    drain.setDaemon(true);
                    drain.start();
                    return;
                }
            }
            throw new IllegalStateException("./start ended before it was ready:\n" + String.join("\n", seen));
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
        public void close() throws InterruptedException {
            playwright.close();
            mail.close();
            process.destroy();
            if (!process.waitFor(20, TimeUnit.SECONDS)) {
                process.destroyForcibly();
                throw new IllegalStateException("./start did not end within 20 s of being asked to");
            }
        }
    }
}
