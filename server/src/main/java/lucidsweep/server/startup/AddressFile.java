package lucidsweep.server.startup;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Says in the data folder where the application that uses it answers, for commands that ask it something. */
@Component
public final class AddressFile {

    private static final String NAME = "address.txt";

    private final Path file;

    AddressFile(@Value("${lucid.data}") Path folder) {
        file = in(folder);
    }

    /** Where the address of the application that uses a data folder stands. */
    public static Path in(Path folder) {
        return folder.resolve(NAME);
    }

    @EventListener
    void started(WebServerInitializedEvent event) throws IOException {
        Files.writeString(file, "http://127.0.0.1:" + event.getWebServer().getPort());
    }

    @PreDestroy
    void ended() throws IOException {
        Files.deleteIfExists(file);
    }
}
