package lucidsweep.server.web;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** At build: writes the OpenAPI description of the API to a file and ends the application. */
@Component
@ConditionalOnProperty("lucid.describe")
final class ApiDescription {

    private final Path file;
    private int port;

    ApiDescription(@Value("${lucid.describe}") Path file) {
        this.file = file;
    }

    @EventListener
    void serverStarted(WebServerInitializedEvent event) {
        port = event.getWebServer().getPort();
    }

    @EventListener
    void write(ApplicationReadyEvent event) throws IOException, InterruptedException {
        URI address = URI.create("http://127.0.0.1:" + port + "/api/openapi.json");
        HttpResponse<Path> answer = HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(address).build(),
                        HttpResponse.BodyHandlers.ofFile(
                                file,
                                StandardOpenOption.CREATE,
                                StandardOpenOption.WRITE,
                                StandardOpenOption.TRUNCATE_EXISTING));
        if (answer.statusCode() != 200) throw new IllegalStateException(address + " answers " + answer.statusCode());
        ConfigurableApplicationContext application = event.getApplicationContext();
        new Thread(application::close).start();
    }
}
