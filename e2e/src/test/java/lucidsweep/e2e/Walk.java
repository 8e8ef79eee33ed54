package lucidsweep.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.APIResponse;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.ReducedMotion;
import com.microsoft.playwright.options.RequestOptions;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.standins.MailServer;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.extension.AfterTestExecutionCallback;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;

/** A page of the running application, in a browser of its own; no error may come up in it. */
@ExtendWith(Started.class)
@Execution(ExecutionMode.SAME_THREAD)
abstract class Walk {

    /** A busy machine takes its time. */
    private static final double PATIENCE_MS = 60_000;

    /** Whoever asks a busy machine all the time keeps it busy. */
    static final long EVERY_NANOS = 100_000_000;

    private final List<String> faults = new ArrayList<>();

    private BrowserContext context;
    protected Page page;
    protected String address;

    /** The address of the demo's website. */
    protected String website;

    /** What the application sends its mails to. */
    protected MailServer mail;

    /** A walk that fails says what the page showed. */
    @RegisterExtension
    final AfterTestExecutionCallback onFailure = test -> test.getExecutionException()
            .ifPresent(problem ->
                    problem.addSuppressed(new AssertionError("the page showed:\n" + page.innerText("body"))));

    @BeforeEach
    void open(Started.Stage stage) {
        address = stage.address();
        website = "http://127.0.0.1:" + (URI.create(address).getPort() + 1) + "/";
        mail = stage.mail();
        context = stage.browser().newContext(options());
        context.setDefaultTimeout(PATIENCE_MS);
        page = another();
    }

    /** Another page of the same browser. */
    protected Page another() {
        Page opened = context.newPage();
        opened.onPageError(faults::add);
        return opened;
    }

    @AfterEach
    void close() {
        context.close();
        assertThat(faults).as("errors in the page").isEmpty();
    }

    protected Browser.NewContextOptions options() {
        // What fades in is too pale to read for a moment, and every frame of it is drawn by the processor.
        return new Browser.NewContextOptions().setViewportSize(1280, 800).setReducedMotion(ReducedMotion.REDUCE);
    }

    protected Locator dialog(String title) {
        return page.getByRole(
                AriaRole.DIALOG, new Page.GetByRoleOptions().setName(title).setExact(true));
    }

    protected Locator button(String name) {
        return page.getByRole(
                AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
    }

    /** How many items the table says it has. */
    protected Locator total(String items) {
        return page.locator("strong").getByText(items, new Locator.GetByTextOptions().setExact(true));
    }

    protected Locator panel() {
        return page.getByLabel("Rewrite in bulk");
    }

    protected Locator ribbon(String stage) {
        return page.getByRole(AriaRole.NAVIGATION)
                .getByRole(AriaRole.LINK)
                .filter(new Locator.FilterOptions().setHasText(stage));
    }

    protected void stage(String name) {
        ribbon(name).click();
    }

    /** A property of a client of its own, with pages of the demo's website; returns its id. */
    protected String property(String name, String brand, String sweep) {
        String client = found(
                "\"id\":(\\d+)",
                send(
                        "POST",
                        address + "/api/clients",
                        "{\"name\":\"" + name + "\",\"brand\":\"" + brand + "\",\"places\":\"\"}"));
        String property = found(
                "\"id\":(\\d+)",
                send(
                        "POST",
                        address + "/api/properties",
                        "{\"clientId\":" + client + ",\"kind\":\"website\",\"name\":\"" + name + "\",\"address\":\""
                                + website + "\",\"language\":\"en\",\"privateAllowed\":true}"));
        ended(send("POST", address + "/api/properties/" + property + "/sweeps", sweep));
        return property;
    }

    /** Waits until the job that an answer names has ended. */
    protected void ended(String begun) {
        String job = address + "/api/jobs/" + found("\"jobId\":(\\d+)", begun);
        while (page.request().get(job).text().contains("\"state\":\"running\"")) LockSupport.parkNanos(EVERY_NANOS);
    }

    protected String send(String method, String url, String body) {
        APIResponse answer = page.request()
                .fetch(
                        url,
                        RequestOptions.create()
                                .setMethod(method)
                                .setHeader("Content-Type", "application/json")
                                .setData(body));
        assertThat(answer.status()).as(answer.text()).isEqualTo(200);
        return answer.text();
    }

    /** The first group of a pattern in a text. */
    protected static String found(String pattern, String text) {
        Matcher matcher = Pattern.compile(pattern).matcher(text);
        assertThat(matcher.find()).as(text).isTrue();
        return matcher.group(1);
    }
}
