package lucidsweep.bench;

import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Random;
import java.util.concurrent.locks.LockSupport;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.server.LucidSweep;
import lucidsweep.server.aim.targets.TargetsChanged;
import lucidsweep.server.client.ClientForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyForm;
import lucidsweep.server.client.PropertyKind;
import lucidsweep.server.item.capture.CapturedItem;
import lucidsweep.server.item.capture.Captures;
import lucidsweep.server.item.capture.KnownItems;
import org.springframework.boot.builder.SpringApplicationBuilder;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.transaction.support.TransactionTemplate;

/** A property of 100,000 items: findings, a recipe previewed, applied and undone, and any page of the desk. Heap 1 GiB. */
final class ScaleBench {

    private static final int ITEMS = Integer.getInteger("items", 100_000);
    private static final int DEMAND_ROWS = Integer.getInteger("demand", Math.min(ITEMS * 10, 1_000_000));

    /** Nobody writes a title sooner after another. */
    private static final long BETWEEN_EDITS_MS = 100;

    private static final String COUNT = Report.format("%,d", ITEMS);
    private static final String[] WORDS =
            "kayak hire tour lesson harbour guide cedar workshop boat paddle island lantern morning tide seal cove family weekend gift"
                    .split(" ");
    private static final String RECIPE = """
            {"selection":{},"spec":{"tool":"recipe","field":"title","recipe":{"parts":[
             {"sources":[{"kind":"H1","text":""},{"kind":"SLUG","text":""}],"before":"","letterCase":"SENTENCE","rank":1,"shortenable":true},
             {"sources":[{"kind":"SECTION","text":""}],"before":" – ","letterCase":"TITLE","rank":3,"shortenable":false},
             {"sources":[{"kind":"BRAND","text":""}],"before":" | ","letterCase":"AS_IS","rank":2,"shortenable":false}]}}}""";

    private static final String OTHER_RECIPE = RECIPE.replace(" | ", " · ");

    private static final String REPLACE =
            "{\"selection\":{},\"spec\":{\"tool\":\"replace\",\"field\":\"title\",\"find\":\"kayak\",\"with\":\"canoe\"}}";

    private final ConfigurableApplicationContext application;
    private final Api api;
    private long property;

    private ScaleBench(ConfigurableApplicationContext application) {
        this.application = application;
        api = new Api(application);
    }

    public static void main(String[] args) throws Exception {
        Path data = Files.createTempDirectory("lucid-bench-");
        try (ConfigurableApplicationContext application = new SpringApplicationBuilder(LucidSweep.class)
                .logStartupInfo(false)
                .run("--server.port=0", "--lucid.data=" + data, "--lucid.web=" + data, "--logging.level.root=error")) {
            new ScaleBench(application).run();
        }
    }

    private void run() throws IOException, InterruptedException {
        fill();
        long start = System.nanoTime();
        application.publishEvent(new TargetsChanged(property));
        report("All findings of " + COUNT + " items, from the database", 10, start);
        start = System.nanoTime();
        application.publishEvent(new TargetsChanged(property));
        report("… the second time, once the machine is warm", 6, start);
        application.getBean(Clients.class).touch(property);

        pages();
        triage();
        typing();

        start = System.nanoTime();
        String preview = api.post("/api/properties/" + property + "/previews", RECIPE);
        double first = Report.seconds(System.nanoTime() - start);
        Report.line(
                "A recipe over " + COUNT + ": first figures",
                "< 0.3 s",
                Report.format("%.2f s (%s done)", first, Api.find(preview, "\"done\":(\\d+)")),
                first < 0.3 && !preview.contains("\"done\":0"));
        String token = Api.find(preview, "\"token\":\"([^\"]+)\"");
        awaitAll(preview, token);
        report("A recipe over " + COUNT + ": all figures, after a start", 2.5, start);
        start = System.nanoTime();
        preview = api.post("/api/properties/" + property + "/previews", OTHER_RECIPE);
        awaitAll(preview, Api.find(preview, "\"token\":\"([^\"]+)\""));
        report("… and of another one", 2.5, start);

        start = System.nanoTime();
        String replaced = api.post("/api/properties/" + property + "/previews", REPLACE);
        token = Api.find(replaced, "\"token\":\"([^\"]+)\"");
        awaitAll(replaced, token);
        report("Find and replace over " + COUNT + " titles: all figures", 3, start);

        int before = drafted();
        int batchBefore = lastBatch();
        start = System.nanoTime();
        String applying = api.post("/api/properties/" + property + "/batches", RECIPE);
        await(() -> lastBatch() > batchBefore);
        report("… applied: the texts are there", 4, start);
        api.endJob(applying);
        api.awaitFindings();
        report("… applied, findings brought up to date", 10, start);
        String batch = Api.find(api.get("/api/properties/" + property + "/batches"), "\"id\":(\\d+)");
        // An open desk asks again once findings are there.
        drafted();
        start = System.nanoTime();
        String undoing = api.post("/api/batches/" + batch + "/undo", "");
        await(() -> drafted() == before);
        report("… undone: the texts are as before", 4, start);
        api.endJob(undoing);
        api.awaitFindings();
        report("… undone, findings brought up to date", 10, start);
        demand();
        wordings();
    }

    /** Asks for a preview as the interface does, now and then, until it has all figures. */
    private void awaitAll(String begun, String token) throws IOException, InterruptedException {
        String preview = begun;
        while (preview.contains("\"complete\":false")) {
            LockSupport.parkNanos(50_000_000);
            preview = api.get("/api/previews/" + token);
        }
    }

    /** How many items have a draft, as every page says it. */
    private int drafted() throws IOException, InterruptedException {
        return Integer.parseInt(Api.find(api.get("/api/portfolio"), "\"drafted\":(\\d+)"));
    }

    /** The number of the last batch that stands whole. */
    private int lastBatch() throws IOException, InterruptedException {
        return Integer.parseInt(Api.find(api.get("/api/properties/" + property + "/batches"), "\"id\":(\\d+)"));
    }

    private void await(BooleanCheck done) throws IOException, InterruptedException {
        while (!done.holds()) LockSupport.parkNanos(20_000_000);
    }

    private interface BooleanCheck {
        boolean holds() throws IOException, InterruptedException;
    }

    /** What faults cost is fitted to ten rows of demand an item, in one go with all findings. */
    private void demand() throws IOException, InterruptedException {
        Random random = new Random(6);
        Path file = Api.file(
                Files.createTempFile("lucid-bench-", ".csv"),
                "page,query,country,from,to,clicks,impressions,position",
                DEMAND_ROWS,
                i -> "https://large.example/section-" + i / 10 % 40 + "/page-" + i / 10 + ".html," + words(random, 3)
                        + " " + i % 10 + ",gb,2026-10-01,2026-10-28," + random.nextInt(9) + ","
                        + (10 + random.nextInt(900)) + "," + random.nextInt(60) + ".5");
        api.apply(api.upload(property, file));
        Files.delete(file);
        long start = System.nanoTime();
        application.publishEvent(new TargetsChanged(property));
        report(
                "… with what faults cost, fitted to " + Report.format("%,d", DEMAND_ROWS) + " rows of demand",
                16,
                start);
    }

    /** Three wordings of an item side by side, with what would be found of each. */
    private void wordings() throws IOException, InterruptedException {
        Random random = new Random(12);
        long[] nanos = new long[120];
        for (int i = 0; i < nanos.length; i++) {
            String id = Api.find(
                    api.get("/api/properties/" + property + "/items?count=1&from=" + random.nextInt(ITEMS)),
                    "\"rows\":\\[\\{\"id\":(\\d+)");
            String texts = "\"" + words(random, 6) + "\",\"" + words(random, 7) + "\",\"" + words(random, 5) + "\"";
            long start = System.nanoTime();
            api.post("/api/items/" + id + "/wordings", "{\"field\":\"title\",\"texts\":[" + texts + "]}");
            nanos[i] = System.nanoTime() - start;
        }
        double p95 = Report.p95(java.util.Arrays.copyOfRange(nanos, 20, nanos.length));
        Report.line(
                "Three other wordings of a title: p95 of 100", "< 100 ms", Report.format("%.0f ms", p95), p95 < 100);
    }

    private void fill() {
        Clients clients = application.getBean(Clients.class);
        long client =
                clients.addClient(new ClientForm("Tarrin Bay Kayaks", "", "")).id();
        Property made = clients.addProperty(
                new PropertyForm(client, PropertyKind.WEBSITE, "Large", "https://large.example/", "en", false));
        property = made.id();
        Captures captures = application.getBean(Captures.class);
        KnownItems known = captures.known(property);
        TransactionTemplate transaction = application.getBean(TransactionTemplate.class);
        long sweep = sweep();
        Random random = new Random(4);
        for (int from = 0; from < ITEMS; from += 500) {
            List<CapturedItem> some = IntStream.range(from, Math.min(from + 500, ITEMS))
                    .mapToObj(i -> item(i, sweep, random, made.standard()))
                    .toList();
            transaction.executeWithoutResult(status -> captures.store(known, some));
        }
    }

    /** A sweep for the items to belong to. */
    private long sweep() {
        org.springframework.jdbc.core.JdbcTemplate jdbc =
                new org.springframework.jdbc.core.JdbcTemplate(application.getBean(javax.sql.DataSource.class));
        jdbc.update(
                "insert into job (property_id, kind, title, state, started) values (?, 'crawl', 'bench', 'done', now())",
                property);
        jdbc.update(
                "insert into sweep (property_id, job_id, kind, source, settings, state, started) select ?, max(id), 'crawl', '', '', 'done', now() from job",
                property);
        return jdbc.queryForObject("select max(id) from sweep", Long.class);
    }

    private CapturedItem item(int i, long sweep, Random random, Standard standard) {
        String address = "https://large.example/section-" + i % 40 + "/page-" + i + ".html";
        String title = i % 30 == 0
                ? ""
                : words(random, 3 + i % 8)
                        + (i % 25 == 0 ? "" : " " + i)
                        + (i % 3 == 0 ? " | Tarrin Bay Kayaks and boats" : "");
        String description = i % 7 == 0 ? "" : words(random, 8 + i % 20) + (i % 11 == 0 ? "" : " " + i) + ".";
        String h1 = words(random, 4) + " " + i;
        return new CapturedItem(
                property,
                sweep,
                address,
                address,
                "/section-" + i % 40 + "/",
                null,
                new CapturedItem.Page(200, "text/html", h1, 1, "", "", "en", "", "", 2),
                new CapturedItem.Listing("", "", "", null, null),
                CapturedItem.Text.of(Field.TITLE, title.isEmpty() ? 0 : 1, title, standard),
                CapturedItem.Text.of(Field.DESCRIPTION, description.isEmpty() ? 0 : 1, description, standard),
                null,
                CapturedItem.Content.ofPage("{\"headings\":[]}", title + h1, "", "", null));
    }

    /** Every page is of a table that nobody asked for before, so that no order is found ready. */
    private void pages() throws IOException, InterruptedException {
        String[] sorts = {
            "address", "title", "title-px", "description", "description-px", "h1", "links-in", "findings", "keyword"
        };
        String[] filters = {
            "",
            "&check=missing&field=description",
            "&check=too-long&field=title",
            "&section=%2Fsection-7%2F",
            "&q=",
            "&check=duplicate",
            "&indexable=yes",
            "&target=without"
        };
        Random random = new Random(9);
        for (int i = 0; i < 12; i++)
            api.get(page(
                    sorts[i % sorts.length],
                    filters[i % filters.length] + (filters[i % filters.length].equals("&q=") ? "warm" + i : ""),
                    false,
                    random));
        long[] cold = new long[200];
        long[] warm = new long[200];
        for (int i = 0; i < cold.length; i++) {
            String filter = filters[random.nextInt(filters.length)];
            if (filter.equals("&q="))
                filter += URLEncoder.encode(
                        WORDS[random.nextInt(WORDS.length)] + " " + random.nextInt(10), StandardCharsets.UTF_8);
            String sort = sorts[random.nextInt(sorts.length)];
            boolean desc = random.nextBoolean();
            application.getBean(Clients.class).touch(property);
            long start = System.nanoTime();
            api.get(page(sort, filter, desc, random));
            cold[i] = System.nanoTime() - start;
            start = System.nanoTime();
            api.get(page(sort, filter, desc, random));
            warm[i] = System.nanoTime() - start;
        }
        double p95 = Report.p95(cold);
        Report.line(
                "A page of the desk, order not known before: p95 of 200",
                "< 150 ms",
                Report.format("%.0f ms", p95),
                p95 < 150);
        p95 = Report.p95(warm);
        Report.line("A page of the desk, scrolling on: p95 of 200", "< 60 ms", Report.format("%.0f ms", p95), p95 < 60);
    }

    /** Causes of a property that has just changed, single edits with all that follows from them, and another standard tried. */
    private void triage() throws IOException, InterruptedException {
        String path = "/api/properties/" + property;
        long[] causes = new long[40];
        for (int i = 0; i < causes.length; i++) {
            application.getBean(Clients.class).touch(property);
            long start = System.nanoTime();
            api.getAll(List.of(
                    path + "/causes",
                    path + "/findings/spots",
                    path + "/findings/checks",
                    path + "/findings/life",
                    path + "/causes/aside"));
            causes[i] = System.nanoTime() - start;
        }
        double p95 = Report.p95(java.util.Arrays.copyOfRange(causes, 5, causes.length));
        Report.line(
                "Triage's first screen after a change: p95 of 35",
                "< 150 ms",
                Report.format("%.0f ms", p95),
                p95 < 150);

        // After an edit nothing of them is kept.
        String row = Api.find(api.get(path + "/items?count=1"), "\"rows\":\\[\\{\"id\":(\\d+)");
        api.post(path + "/cells", "[{\"itemId\":" + row + ",\"field\":\"title\",\"text\":\"Kayak\"}]");
        long gathering = System.nanoTime();
        String list = api.get(path + "/causes");
        double gathered = Report.seconds(System.nanoTime() - gathering);
        long findings = Pattern.compile("\"items\":(\\d+)")
                .matcher(api.get(path + "/findings/checks"))
                .results()
                .mapToLong(count -> Long.parseLong(count.group(1)))
                .sum();
        Report.line(
                "Causes of " + Report.format("%,d", findings) + " findings",
                "< 3 s",
                Report.format("%.2f s", gathered),
                gathered < 3 && list.contains("says"));

        Random random = new Random(5);
        double typed = typed(path, random, true);
        Report.line("A title typed, answered: p95 of 100", "< 30 ms", Report.format("%.0f ms", typed), typed < 30);
        double found = typed(path, random, false);
        Report.line(
                "… with its findings right again: p95 of 100", "< 50 ms", Report.format("%.0f ms", found), found < 50);

        long start = System.nanoTime();
        api.post(path + "/standard/preview?most=2000", "{\"title\":{\"maxChars\":50}}");
        double seconds = Report.seconds(System.nanoTime() - start);
        Report.line(
                "A change of standard previewed: first figures",
                "< 1 s",
                Report.format("%.2f s", seconds),
                seconds < 1);
        start = System.nanoTime();
        api.post(path + "/standard/preview", "{\"title\":{\"maxChars\":50}}");
        report("… figures of 10,000 items", 5, start);
    }

    /**
     * Types titles, each some moments after the one before.
     *
     * @param atOnce whether it is answered before its findings are known, as at the desk
     * @return the time until it was answered, p95 in ms
     */
    private double typed(String path, Random random, boolean atOnce) throws IOException, InterruptedException {
        long[] edits = new long[120];
        for (int i = 0; i < edits.length; i++) {
            String id = Api.find(
                    api.get(path + "/items?count=1&from=" + random.nextInt(ITEMS)), "\"rows\":\\[\\{\"id\":(\\d+)");
            String body = "[{\"itemId\":" + id + ",\"field\":\"title\",\"text\":\"" + words(random, 6) + "\"}]";
            Thread.sleep(BETWEEN_EDITS_MS);
            long start = System.nanoTime();
            if (atOnce) api.postAtOnce(path + "/cells", body);
            else api.post(path + "/cells", body);
            edits[i] = System.nanoTime() - start;
        }
        return Report.p95(java.util.Arrays.copyOfRange(edits, 20, edits.length));
    }

    private String page(String sort, String filter, boolean desc, Random random) {
        return "/api/properties/" + property + "/items?sort=" + (desc ? "-" : "") + sort + "&from="
                + random.nextInt(2_000) * 50 + "&count=100" + filter;
    }

    private void typing() throws IOException, InterruptedException {
        long[] nanos = new long[400];
        String text = "Kayak hire by the hour in Gull Cove with everything that floats and a map of the bay";
        for (int i = 0; i < nanos.length; i++) {
            String body = "{\"title\":\"" + text.substring(0, 1 + i % text.length()) + "\",\"description\":\"" + text
                    + " " + i + "\",\"keyword\":\"kayak hire\"}";
            long start = System.nanoTime();
            api.post("/api/properties/" + property + "/looks", body);
            nanos[i] = System.nanoTime() - start;
        }
        double p95 = Report.p95(java.util.Arrays.copyOfRange(nanos, 50, nanos.length));
        Report.line("Measured while typing: p95 of 350", "< 20 ms", Report.format("%.1f ms", p95), p95 < 20);
    }

    /** A job waits for the findings that follow it for some seconds only. */
    private void report(String what, double max, long start) {
        double seconds = Report.seconds(System.nanoTime() - start);
        Report.line(
                what,
                Report.format(max == Math.rint(max) ? "< %.0f s" : "< %.1f s", max),
                Report.format("%.2f s", seconds),
                seconds < max);
    }

    private static String words(Random random, int count) {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < count; i++) {
            if (i > 0) text.append(' ');
            text.append(WORDS[random.nextInt(WORDS.length)]);
        }
        return text.toString();
    }
}
