package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.standins.MailServer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** The week of a client as a file and as a mail. */
@ExtendWith(RunningApplication.class)
class DigestTest {

    @Test
    void theWeekOfAClientIsAPageAndAMail(Api api, MailServer mail) {
        Shop shop = new Shop(api, "id,title\nD1,Ash paddle\nD2,Oak <b>paddle</b>\n");
        StringBuilder demand = new StringBuilder("address,query,from,to,clicks,impressions,position\n");
        LocalDate start = LocalDate.now().minusWeeks(40);
        for (int week = 0; week < 38; week++) {
            LocalDate day = start.plusWeeks(week);
            int position = week < 34 ? 3 : 9;
            demand.append(
                    "D1,ash paddle,%s,%s,%d,600,%d%n".formatted(day, day.plusDays(6), week < 34 ? 50 : 14, position));
            demand.append("D2,<b>oak</b>,%s,%s,20,300,4%n".formatted(day, day.plusDays(6)));
        }
        shop.importDemand(demand.toString());
        long client = api.get("/api/properties/" + shop.property() + "/standing")
                .json()
                .path("property")
                .path("clientId")
                .asLong();
        String page = api.get("/api/clients/" + client + "/digest.html").body();
        assertThat(page)
                .contains("clicks in the last thirteen weeks", "<polyline", "What moved", "from position 3.0 to 9.0")
                .doesNotContain("<b>", "<script");

        assertThat(api.post("/api/clients/" + client + "/digest/mail", "{\"to\":\"ines@bay.example\"}")
                        .status())
                .isEqualTo(200);
        assertThat(mail.mails()).singleElement().asString().contains("To: ines@bay.example", "text/html");
        String schedule = "/api/clients/" + client + "/digest/schedule";
        String weekly = "{\"to\":\"%s\",\"schedule\":{\"every\":\"WEEK\",\"nextDay\":\"" + LocalDate.now() + "\"}}";
        JsonNode planned = api.method("PUT", schedule, weekly.formatted("ines@bay.example"))
                .json()
                .path("planned");
        assertThat(mail.mails()).as("the first goes today").hasSize(2);
        assertThat(planned.path("schedule").path("nextDay").asString())
                .isEqualTo(LocalDate.now().plusWeeks(1).toString());
        JsonNode unsent = api.method("PUT", schedule, weekly.formatted("nobody@bay.example"))
                .json()
                .path("planned");
        assertThat(unsent.path("problem").asString()).contains("nobody of this name is here");
        assertThat(unsent.path("schedule").path("nextDay").asString())
                .as("it is tried again")
                .isEqualTo(LocalDate.now().toString());
        assertThat(api.method("PUT", schedule, weekly.formatted("ines")).status())
                .isEqualTo(422);
        api.method("DELETE", schedule, "");
        assertThat(api.get(schedule).json().path("planned").isNull()).isTrue();
        Reply nowhere = api.post("/api/clients/" + client + "/digest/mail", "{\"to\":\"ines\"}");
        assertThat(nowhere.status()).isEqualTo(422);
        assertThat(nowhere.problem()).isEqualTo("expected a mail address such as ines@bay.example, got \"ines\"");
        Reply unknown = api.post("/api/clients/" + client + "/digest/mail", "{\"to\":\"nobody@bay.example\"}");
        assertThat(unknown.status()).isEqualTo(409);
        assertThat(unknown.problem()).contains("nobody of this name is here");
    }
}
