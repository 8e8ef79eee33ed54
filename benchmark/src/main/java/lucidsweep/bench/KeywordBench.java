package lucidsweep.bench;

import java.io.IOException;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.aim.keywords.Keywords;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.table.TableFile;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;

/** The table of 50,000 keywords through the API: every page asked for once, in many orders and with many filters. */
final class KeywordBench {

    private static final int KEYWORDS = 50_000;
    private static final String[] ACTS = {
        "hire", "buy", "how to mend", "best", "guide to", "cheap", "lesson on", "map of"
    };

    private KeywordBench() {}

    public static void main(String[] args) throws Exception {
        Path folder = Files.createTempDirectory("lucid-bench-");
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run(
                        "--server.port=0",
                        "--lucid.data=" + folder,
                        "--lucid.web=" + folder,
                        "--logging.level.root=error")) {
            Clients clients = application.getBean(Clients.class);
            long client = clients.addClient(new ClientForm("Tarrin Bay Kayaks", "", "place7, place8"))
                    .id();
            long property = clients.addProperty(new PropertyForm(
                            client, PropertyKind.WEBSITE, "Large", "https://bay.example/", "en", false))
                    .id();
            long start = System.nanoTime();
            long job = application
                    .getBean(Keywords.class)
                    .add(property, TableFile.of(list()))
                    .jobId();
            double stored = Report.seconds(System.nanoTime() - start);
            application.getBean(Jobs.class).awaitEnd(job);
            double seconds = Report.seconds(System.nanoTime() - start);
            Report.line(
                    "50,000 keywords taken in, sorted into topics",
                    "",
                    Report.format("%.1f s, answered after %.1f s", seconds, stored),
                    true);
            String port = application.getEnvironment().getProperty("local.server.port");
            String base = "http://127.0.0.1:" + port + "/api/properties/" + property;
            ask(base + "/keywords?count=100");
            for (String view : List.of("/topics?count=100", "/places", "/groups", "/brand")) {
                start = System.nanoTime();
                get(HttpClient.newHttpClient(), base + view);
                Report.line(
                        view.replaceAll("\\W", " ").strip().split(" ")[0] + " of 50,000 keywords, asked the first time",
                        "",
                        Report.format("%.2f s", Report.seconds(System.nanoTime() - start)),
                        true);
            }
        }
    }

    private static String list() {
        StringBuilder list = new StringBuilder("keyword,volume,competition");
        for (int month = 1; month <= 24; month++)
            list.append(month <= 12 ? ",2025-" : ",2026-").append("%02d".formatted((month - 1) % 12 + 1));
        for (int i = 0; i < KEYWORDS; i++) {
            list.append('\n')
                    .append(ACTS[i % ACTS.length] + " boat" + i / 40 + " place" + i % 97)
                    .append(',')
                    .append(i * 37L % 90_000)
                    .append(",low");
            for (int month = 0; month < 24; month++) list.append(',').append(100 + (month % 12 == i % 12 ? 300 : 0));
        }
        return list.toString();
    }

    private static void ask(String base) throws IOException, InterruptedException {
        HttpClient http = HttpClient.newHttpClient();
        List<Long> times = new ArrayList<>();
        for (String sort : List.of("volume", "phrase", "intent", "topic", "place", "competition", "clicks")) {
            for (String filter :
                    List.of("", "&intent=commercial", "&q=boat1", "&place=place7", "&season=yes", "&home=without")) {
                for (int from : new int[] {0, 400, 5_000}) {
                    String address = base + "&sort=" + sort + filter + "&from=" + from;
                    long start = System.nanoTime();
                    get(http, address);
                    times.add(System.nanoTime() - start);
                }
            }
        }
        double p95 = Report.p95(times.stream().mapToLong(Long::longValue).toArray());
        Report.line(
                "Pages of the keyword table, p95 of " + times.size(),
                "< 150 ms",
                Report.format("%.0f ms", p95),
                p95 < 150);
    }

    private static void get(HttpClient http, String address) throws IOException, InterruptedException {
        HttpResponse<String> answer =
                http.send(HttpRequest.newBuilder(URI.create(address)).build(), HttpResponse.BodyHandlers.ofString());
        if (answer.statusCode() != 200) throw new IllegalStateException(answer.body());
    }
}
