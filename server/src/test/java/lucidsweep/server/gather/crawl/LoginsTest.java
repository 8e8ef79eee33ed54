package lucidsweep.server.gather.crawl;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.springframework.boot.WebApplicationType;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;

class LoginsTest {

    @TempDir
    private Path data;

    @Test
    void aLoginIsForTheHostAndSchemeThatItWasGivenForAndMayBeLost() throws IOException {
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .web(WebApplicationType.NONE)
                .logStartupInfo(false)
                .run("--lucid.data=" + data)) {
            Clients clients = application.getBean(Clients.class);
            JdbcTemplate database = application.getBean(JdbcTemplate.class);
            Logins logins = application.getBean(Logins.class);
            long client = clients.addClient(new ClientForm("Tarrin Bay Kayaks", "", ""))
                    .id();
            String home = "https://staging.tarrin.example/";
            long property = clients.addProperty(
                            new PropertyForm(client, PropertyKind.WEBSITE, "Site", home, "en", false))
                    .id();
            Login login = new Login("ines", "salt & tide", "", "");
            logins.set(property, login);
            assertThat(logins.of(property)).isEqualTo(login);
            for (String moved : new String[] {
                "http://staging.tarrin.example/", "https://tarrin.example/", "https://staging.tarrin.example:8443/"
            }) {
                database.update("update property set address = ?", moved);
                assertThat(logins.of(property)).as(moved).isEqualTo(Login.NONE);
            }
            database.update("update property set address = ?", home + "shop/");
            assertThat(logins.of(property)).isEqualTo(login);

            Files.delete(data.resolve("lucid-sweep.key"));
            assertThat(logins.of(property)).as("its key is lost").isEqualTo(Login.NONE);
            logins.set(property, login);
            assertThat(logins.of(property)).isEqualTo(login);
        }
    }
}
