package lucidsweep.server;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.concurrent.CompletableFuture;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import lucidsweep.server.aim.targets.TargetsChanged;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.triage.FindingsQueue;
import lucidsweep.standins.DemoSite;
import lucidsweep.standins.KeywordFile;
import lucidsweep.standins.ShopListings;
import lucidsweep.standins.Website;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.context.ApplicationContext;
import tools.jackson.databind.JsonNode;

/** However findings are counted, gathered, filtered or taken away, it is the same findings. */
@ExtendWith(RunningApplication.class)
class TriageTest {

    /** Of so many that everything is looked at when all of them change. */
    private static final int MANY = 3_200;

    @Test
    void ofTheShop(Api api) {
        check(api, new Shop(api, new ShopListings(7).csv()).property());
    }

    @Test
    void ofTheWebsiteWithKeywords(Api api) throws Exception {
        try (Website website = Website.ofDemo(DemoSite.ofSeed(7), 0)) {
            long property = api.property("website", website.address().toString(), true);
            api.sweep(property);
            api.upload(
                    "/api/properties/" + property + "/keywords/file",
                    "keywords.csv",
                    new KeywordFile(7).csv().getBytes());
            check(api, property);
            // The journal's pages of one topic, one for each month.
            JsonNode changed = api.get("/api/properties/" + property + "/items?having=changed+0..&sort=address")
                    .json();
            assertThat(changed.path("total").asInt()).isEqualTo(12);
            assertThat(changed.path("rows").get(0).path("address").asString()).contains("/journal/");
        }
    }

    @Test
    void anEndingThatIsTakenOffInPartsStaysOneCauseUntilItIsGone(Api api) {
        String ending = " | Skerry Ropeworks: rope and cordage and nets";
        StringBuilder csv = new StringBuilder("listing id,title\n");
        for (int i = 0; i < 40; i++) {
            String length = i % 2 == 0 ? "" : " of tarred hemp".repeat(12) + i;
            csv.append("R")
                    .append(i)
                    .append(",Rope ")
                    .append(i)
                    .append(length)
                    .append(ending)
                    .append('\n');
        }
        Shop shop = new Shop(api, csv.toString());
        assertThat(cause(shop, "common-ending"))
                .contains("40 titles end in the same")
                .endsWith("Without them, 20 fit.");
        for (int i = 0; i < 37; i++) shop.type("R" + i, "title", "Rope number " + i);
        assertThat(cause(shop, "common-ending"))
                .contains("3 titles end in the same")
                .endsWith("Without them, 1 fits.");
        shop.importFile(csv + "R40,Bell rope\n");
        assertThat(cause(shop, "common-ending"))
                .contains("3 titles end in the same")
                .endsWith("Without them, 1 fits.");
        for (int i = 37; i < 40; i++) shop.type("R" + i, "title", "Rope number " + i);
        assertThat(cause(shop, "common-ending")).isEmpty();
    }

    @Test
    void aBeginningThatManyShareIsRemovedFromAllOfThem(Api api) {
        StringBuilder csv = new StringBuilder("listing id,title\n");
        for (int i = 0; i < 40; i++)
            csv.append("R%d,The ropewalk on the quay: %s %d%n".formatted(i, i % 2 == 0 ? "bell rope" : "hawser", i));
        for (int i = 40; i < 50; i++) csv.append("R%d,Net of tarred hemp %d%n".formatted(i, i));
        Shop shop = new Shop(api, csv.toString());
        assertThat(cause(shop, "common-beginning"))
                .isEqualTo(
                        "40 titles begin with the same 25 letters, “The ropewalk on the quay:”. Without them, 40 fit.");
        JsonNode batch = shop.batch(Shop.edit("remove-beginning", "title", "\"find\":\"The ropewalk on the quay: \""));
        assertThat(batch.path("items").asInt()).isEqualTo(40);
        assertThat(shop.text("R2", "title")).isEqualTo("Bell rope 2");
        assertThat(cause(shop, "common-beginning")).isEmpty();
    }

    @Test
    void aTagOrTheTemplateOfTitlesIsNamedWhereItExplainsAFinding(Api api) {
        StringBuilder csv = new StringBuilder("listing id,title,description,tags\n");
        for (int i = 0; i < 40; i++) {
            String text = "Spun by hand of the hemp of field " + i + " and tarred twice before it leaves the walk.";
            boolean bell = i % 4 == 0;
            csv.append("R%d,%s %d,%s,\"rope, %s, for number %d\"%n"
                    .formatted(i, bell ? "Bell rope" : "Hawser", i * 37, bell ? "" : text, bell ? "Gift" : "quay", i));
        }
        for (int i = 0; i < 40; i++)
            csv.append("N%d,%s,%s,net%n"
                    .formatted(
                            i,
                            i % 4 == 0 ? "Net " + i + " | The netmaker's cellar" : "Seine " + i,
                            i % 4 == 0 ? "Knotted." : "Knotted by hand of twine from the coast, number " + i + "."));
        Shop shop = new Shop(api, csv.toString());
        assertThat(cause(shop, "missing")).isEqualTo("10 items tagged “gift” have no description.");
        assertThat(cause(shop, "too-short", "description"))
                .isEqualTo(
                        "10 descriptions under titles like “… | The netmaker's cellar” are so short that space is wasted.");
        check(api, shop.property());

        shop.type("R0", "tags", "rope, quay");
        assertThat(cause(shop, "missing")).isEqualTo("9 items tagged “gift” have no description.");
    }

    @Test
    void textsThatAreNearlyTheSameFollowEveryEdit(Api api) {
        StringBuilder csv = new StringBuilder("listing id,title,description\n");
        for (int i = 0; i < 30; i++) {
            csv.append("P%d,Bell rope of %s for a sloop,\"Spun by hand, %s and tarred\"%n"
                    .formatted(i, Integer.toString(i * 7919 + 131_071, 36), Integer.toString(i * 104_729, 36)));
        }
        csv.append("A,Boat fender plaited of old hemp rope for quays and jetties of every height,\n");
        csv.append("B,Boat fender plaited of old hemp ropes for quays and jetties of every height,\n");
        Shop shop = new Shop(api, csv.toString());
        assertThat(near(shop, "A")).isEqualTo("91% the same as that of B");
        assertThat(near(shop, "B")).isEqualTo("91% the same as that of A");
        assertThat(nearCauses(shop)).containsExactly("2 titles are nearly the same as others, in 1 small group.");

        shop.type("P1", "title", "Boat fenders plaited of old hemp rope for quays and jetties of every height");
        shop.type("P2", "title", "A boat fender plaited of old hemp rope for quays and jetties of every height");
        assertThat(near(shop, "P1")).contains("% the same as that of ");
        assertThat(nearCauses(shop))
                .containsExactly(
                        "4 titles are nearly the same: “Boat fenders plaited of old hemp rope for quays and jetties of every height”.");

        shop.type("A", "title", "Monkey’s fist with a lead core");
        shop.type("P2", "title", "Boat fender plaited of old hemp ropes for quays and jetties of every height!");
        assertThat(near(shop, "A")).isEmpty();
        assertThat(near(shop, "B")).as("now a duplicate").isEmpty();
        shop.type("B", "title", "Door mat woven of cable");
        shop.type("P2", "title", "Sailor’s knot board, forty knots");
        assertThat(near(shop, "P1")).isEmpty();
        assertThat(nearCauses(shop)).isEmpty();
    }

    @Test
    void textsAreComparedWhereAnyStandardAsksForIt(Api api) {
        StringBuilder csv = new StringBuilder("listing id,title,section\n");
        // Their endings differ, since what many titles end in is left out where they are compared.
        Map<String, String> titles = new TreeMap<>(Map.of(
                "Fenders", "Boat fender plaited of old hemp rope%s for quays and jetties of every height",
                "Quays", "Long hawser spun out of new sisal twine%s by all the wharves of every deep harbour"));
        titles.forEach((section, title) -> {
            csv.append("A%1$s,%2$s,%1$s%n".formatted(section, title.formatted("")));
            csv.append("B%1$s,%2$s,%1$s%n".formatted(section, title.formatted("s")));
        });
        Shop shop = new Shop(api, csv.toString());
        assertThat(near(shop, "AFenders")).isNotEmpty();
        assertThat(near(shop, "AQuays")).isNotEmpty();

        end(api, shop.put("/standard", "{\"off\":[\"title near-duplicate\",\"title patterned\"]}"));
        assertThat(near(shop, "AFenders")).isEmpty();
        shop.type(
                "AQuays",
                "title",
                "Long hawsers spun out of new sisal twines by all the wharves of every deep harbour");
        assertThat(near(shop, "AQuays")).isEmpty();

        long fenders = shop.post("/sets", "{\"name\":\"Fenders\",\"conditions\":{\"sections\":[\"Fenders\"]}}")
                .json()
                .path("id")
                .asLong();
        end(api, api.method("PUT", "/api/sets/" + fenders + "/standard", "{\"off\":[]}"));
        assertThat(near(shop, "AFenders")).contains("% the same as that of BFenders");
        assertThat(near(shop, "AQuays")).as("no standard asks for it there").isEmpty();

        end(api, api.method("DELETE", "/api/properties/" + shop.property() + "/standard", ""));
        assertThat(near(shop, "AQuays")).contains("% the same as that of BQuays");
    }

    private static void end(Api api, Reply changed) {
        assertThat(changed.status()).as(changed.body()).isEqualTo(200);
        api.ended(changed.json().path("jobId").asLong());
    }

    /** What single edits leave of findings is what working all of them out anew finds. */
    @Test
    void findingsAfterEditsAreThoseOfTheWhole(Api api) {
        Random random = new Random(17);
        StringBuilder csv = new StringBuilder("listing id,title,description,tags\n");
        for (int i = 0; i < 60; i++)
            csv.append("L%d,%s,%s,\"rope, %s\"%n".formatted(i, words(random), words(random), words(random)));
        Shop shop = new Shop(api, csv.toString());
        for (int round = 0; round < 4; round++) {
            for (int edit = 0; edit < 12; edit++) {
                String field = List.of("title", "description", "tags").get(random.nextInt(3));
                String from = shop.text("L" + random.nextInt(60), field);
                String text = random.nextBoolean() ? from : random.nextInt(4) == 0 ? "" : words(random);
                shop.post(
                        "/cells",
                        "[{\"itemId\":%d,\"field\":\"%s\",\"text\":\"%s\"}]"
                                .formatted(shop.itemId("L" + random.nextInt(60)), field, text));
            }
            // Of few, since what many titles end in is found in the whole only.
            long[] some = {shop.itemId("L1"), shop.itemId("L2"), shop.itemId("L40")};
            long batch = shop.batch(Shop.edit("after", "title", "\"with\":\" of " + words(random) + "\"", some))
                    .path("id")
                    .asLong();
            if (round % 2 == 0)
                assertThat(api.post("/api/batches/" + batch + "/undo", "").status())
                        .isEqualTo(200);
            Map<String, String> single = found(shop);
            end(api, shop.put("/standard", "{\"settlingDays\":" + (90 + round % 2) + "}"));
            assertThat(single).isEqualTo(found(shop)).hasSize(60);
        }
    }

    @Test
    void aTableThatFollowedWhatChangedEverywhereIsAsOneThatIsReadAnew(Api api, ApplicationContext application) {
        Random random = new Random(29);
        StringBuilder csv = new StringBuilder("listing id,title,description,tags\n");
        StringBuilder demand = new StringBuilder("page,query,from,to,clicks,impressions,position\n");
        for (int i = 0; i < MANY; i++) {
            csv.append(
                    "L%d,%s %d,%s,\"rope, %s\"%n".formatted(i, words(random), i % 900, words(random), words(random)));
            if (i % 3 == 0)
                demand.append("L%d,rope,2026-08-01,2026-10-31,%d,%d,%d%n"
                        .formatted(i, random.nextInt(40), 400 + random.nextInt(900), 1 + random.nextInt(9)));
        }
        Shop shop = new Shop(api, csv.toString());
        shop.importDemand(demand.toString());
        Map<String, String> before = views(shop, application);
        end(api, shop.post("/batches", Shop.edit("after", "title", "\"with\":\" of hemp, 50% off\"")));
        Map<String, String> batched = views(shop, application);
        assertThat(batched).isNotEqualTo(before).isEqualTo(viewsReadAnew(shop, application));
        long batch = shop.get("/batches").json().get(0).path("id").asLong();
        end(api, api.post("/api/batches/" + batch + "/undo", ""));
        assertThat(views(shop, application)).isNotEqualTo(batched).isEqualTo(viewsReadAnew(shop, application));

        end(api, shop.put("/standard", "{\"title\":{\"maxChars\":20}}"));
        Map<String, String> held = views(shop, application);
        assertThat(held).isNotEqualTo(batched).isEqualTo(viewsReadAnew(shop, application));
        shop.post("/keywords", "{\"text\":\"rope\\noar\"}");
        long keyword =
                shop.get("/keywords").json().path("rows").get(0).path("id").asLong();
        views(shop, application);
        String some = "[%d,%d]".formatted(shop.itemId("L7"), shop.itemId("L8"));
        shop.post("/targets", "{\"selection\":{\"ids\":" + some + "},\"keywordId\":" + keyword + "}");
        Map<String, String> aimed = views(shop, application);
        assertThat(aimed).isNotEqualTo(held).isEqualTo(viewsReadAnew(shop, application));
        Map<String, String> found = found(shop, List.of("keyword-missing"));
        application.publishEvent(new TargetsChanged(shop.property()));
        assertThat(found(shop, List.of("keyword-missing"))).isEqualTo(found);
    }

    @Test
    void whatIsTypedWhileAllFindingsAreWorkedOutIsLookedAtAfterThem(Api api, ApplicationContext application) {
        Random random = new Random(31);
        StringBuilder csv = new StringBuilder("listing id,title,description\n");
        for (int i = 0; i < MANY; i++) csv.append("L%d,%s %d,%s%n".formatted(i, words(random), i % 900, words(random)));
        Shop shop = new Shop(api, csv.toString());
        long[] ids = new long[40];
        for (int i = 0; i < ids.length; i++) ids[i] = shop.itemId("L" + (1_000 + 50 * i));
        for (String edit : List.of(" of hemp", " for boats")) {
            Reply batch = shop.post("/batches", Shop.edit("after", "title", "\"with\":\"" + edit + "\""));
            typeInto(shop, ids, random, "");
            end(api, batch);
        }
        Reply standard = shop.put("/standard", "{\"settlingDays\":91}");
        typeInto(shop, ids, random, "");
        end(api, standard);
        CompletableFuture<Void> afterSweep =
                CompletableFuture.runAsync(() -> application.publishEvent(new TargetsChanged(shop.property())));
        typeInto(shop, ids, random, " in May");
        afterSweep.join();
        application.getBean(FindingsQueue.class).await(shop.property());
        Map<String, String> followed = found(shop, List.of("duplicate", "too-short", "repeated-word", "all-capitals"));
        application.publishEvent(new TargetsChanged(shop.property()));
        application.getBean(Items.class).changed(shop.property());
        assertThat(followed).isEqualTo(found(shop, List.copyOf(followed.keySet())));
    }

    private static void typeInto(Shop shop, long[] ids, Random random, String end) {
        for (long id : ids) {
            String cell = "[{\"itemId\":%d,\"field\":\"title\",\"text\":\"%s\"}]".formatted(id, words(random) + end);
            Reply typed = shop.post("/cells", cell);
            assertThat(typed.status()).as(typed.body()).isEqualTo(200);
        }
    }

    /** The items of which a check finds fault with the title, by check. */
    private static Map<String, String> found(Shop shop, List<String> checks) {
        Map<String, String> found = new TreeMap<>();
        for (String check : checks) {
            String of = "/items/ids?count=" + MANY + "&field=title&check=" + check;
            found.put(check, shop.get(of).body());
        }
        return found;
    }

    private static Map<String, String> viewsReadAnew(Shop shop, ApplicationContext application) {
        application.getBean(Items.class).changed(shop.property());
        return views(shop, application);
    }

    /** What is told from the table in memory, by where it is asked for. */
    private static Map<String, String> views(Shop shop, ApplicationContext application) {
        application.getBean(FindingsQueue.class).await(shop.property());
        Map<String, String> views = new TreeMap<>();
        for (String sort : List.of("title", "-title-px", "findings", "-stake", "keyword"))
            views.put(
                    sort, shop.get("/items/ids?count=" + MANY + "&sort=" + sort).body());
        for (String path : List.of(
                "/causes", "/findings/checks", "/findings/spots", "/findings/life", "/checklist", "/items?count=1"))
            views.put(path, shop.get(path).body());
        views.replaceAll((path, body) -> body.replaceAll("\"(asOf|revision)\":\\d+", ""));
        return views;
    }

    private static String words(Random random) {
        List<String> words =
                List.of("rope", "oar", "net", "of hemp", "for boats", "spun by hand", "Rope", "50% off", "HAWSER");
        StringBuilder text = new StringBuilder(words.get(random.nextInt(words.size())));
        for (int more = random.nextInt(4); more > 0; more--)
            text.append(' ').append(words.get(random.nextInt(words.size())));
        return text.toString();
    }

    /** By id, what is found; of texts near others only that they are, since any of those may be named. */
    private static Map<String, String> found(Shop shop) {
        Map<String, String> found = new TreeMap<>();
        for (JsonNode row : shop.get("/items?count=100").json().path("rows")) {
            StringBuilder all = new StringBuilder();
            for (JsonNode finding : row.path("findings")) {
                String check = finding.path("check").asString();
                boolean named = !check.equals("near-duplicate");
                all.append(finding.path("field").asString())
                        .append(' ')
                        .append(check)
                        .append(named ? ": " + finding.path("evidence").asString() : "")
                        .append('\n');
            }
            found.put(row.path("address").asString(), all.toString());
        }
        return found;
    }

    private static String near(Shop shop, String id) {
        for (JsonNode row :
                shop.get("/items?field=title&check=near-duplicate").json().path("rows")) {
            if (!row.path("address").asString().equals(id)) continue;
            for (JsonNode finding : row.path("findings"))
                if (finding.path("check").asString().equals("near-duplicate"))
                    return finding.path("evidence").asString();
        }
        return "";
    }

    private static List<String> nearCauses(Shop shop) {
        List<String> says = new ArrayList<>();
        for (JsonNode cause : shop.get("/causes").json()) {
            if (cause.path("check").asString().equals("near-duplicate")
                    && cause.path("field").asString().equals("title"))
                says.add(cause.path("says").asString());
        }
        return says;
    }

    private static String cause(Shop shop, String check, String field) {
        for (JsonNode cause : shop.get("/causes").json()) {
            boolean meant = cause.path("check").asString().equals(check)
                    && cause.path("field").asString().equals(field);
            if (meant) return cause.path("says").asString();
        }
        return "";
    }

    private static String cause(Shop shop, String check) {
        for (JsonNode cause : shop.get("/causes").json()) {
            if (cause.path("check").asString().equals(check))
                return cause.path("says").asString();
        }
        return "";
    }

    /** Findings of indexing are those of items that are not indexable; all others count of those that are. */
    private static String counted(String field) {
        return field.equals("indexing") ? "" : "indexable=yes&";
    }

    private static void check(Api api, long property) {
        String path = "/api/properties/" + property;
        Map<String, Integer> counted = new TreeMap<>();
        for (String line : api.get(path + "/findings.csv").body().split("\r\n")) {
            List<String> cells = cells(line);
            boolean counts = cells.get(8).equals("yes") || cells.get(2).equals("not-indexable");
            if (counts) counted.merge(cells.get(1) + " " + cells.get(2), 1, Integer::sum);
        }
        Map<String, Integer> kinds = new TreeMap<>();
        for (JsonNode kind : api.get(path + "/findings/checks").json())
            kinds.put(
                    kind.path("field").asString() + " " + kind.path("check").asString(),
                    kind.path("items").asInt());
        assertThat(kinds).as("kinds and the file").isEqualTo(counted).hasSizeGreaterThan(5);

        Map<String, Integer> gathered = new TreeMap<>();
        JsonNode causes = api.get(path + "/causes").json();
        for (JsonNode cause : causes) {
            String field = cause.path("field").asString();
            String kind = cause.path("check").asString();
            int items = cause.path("items").asInt();
            gathered.merge(field + " " + kind, items, Integer::sum);
            int behind = api.get(path + "/items?" + counted(field) + "field=" + field + "&check=" + kind
                            + "&shared=" + Api.encoded(cause.path("shared").asString())
                            + "&section=" + Api.encoded(cause.path("section").asString())
                            + "&having=" + Api.encoded(cause.path("trait").asString()))
                    .json()
                    .path("total")
                    .asInt();
            boolean oneOfSeveral = cause.path("shared").asString().isEmpty()
                    && cause.path("section").asString().isEmpty()
                    && cause.path("trait").asString().isEmpty();
            if (oneOfSeveral) assertThat(behind).as(cause.toString()).isGreaterThanOrEqualTo(items);
            else assertThat(behind).as(cause.toString()).isEqualTo(items);
        }
        kinds.remove("indexing not-indexable");
        assertThat(gathered).as("causes and kinds").isEqualTo(kinds);
        kinds.forEach((name, items) -> {
            String[] parts = name.split(" ");
            String filter = "/items?" + counted(parts[0]) + "field=" + parts[0] + "&check=" + parts[1];
            assertThat(api.get(path + filter).json().path("total").asInt())
                    .as(name)
                    .isEqualTo(items);
        });

        JsonNode checklist = api.get(path + "/checklist").json();
        Map<String, Integer> listed = new TreeMap<>();
        for (JsonNode line : checklist.path("checks")) {
            assertThat(line.path("before").size())
                    .isEqualTo(checklist.path("sweeps").size());
            int found = line.path("items").asInt();
            if (found > 0)
                listed.put(
                        line.path("field").asString() + " " + line.path("check").asString(), found);
        }
        Map<String, Integer> ofIndexable = new TreeMap<>(kinds);
        ofIndexable.keySet().removeIf(kind -> kind.startsWith("indexing "));
        assertThat(listed).as("the checklist and kinds").isEqualTo(ofIndexable);
        assertThat(checklist.path("sweeps")).isNotEmpty();
        int spots = 0;
        for (JsonNode spot : api.get(path + "/findings/spots").json()) {
            spots += spot.path("findings").asInt();
            assertThat(api.get(path + "/items?check=any&field="
                                    + spot.path("field").asString() + "&section="
                                    + Api.encoded(spot.path("section").asString()))
                            .json()
                            .path("total")
                            .asInt())
                    .isBetween(1, spot.path("findings").asInt());
        }
        assertThat(spots)
                .isEqualTo(kinds.values().stream().mapToInt(Integer::intValue).sum());

        List<String> lines = api.get(path + "/causes.csv").body().lines().toList();
        assertThat(lines)
                .hasSize(causes.size() + 1)
                .first()
                .isEqualTo("cause,check,field,items,clicks,low,high,fix,links,section,shared,having");
        assertThat(cells(lines.get(1)).get(0))
                .isEqualTo(causes.get(0).path("says").asString());
    }

    /** The cells of a line of CSV that holds no line breaks. */
    private static List<String> cells(String line) {
        List<String> cells = new ArrayList<>();
        StringBuilder cell = new StringBuilder();
        boolean quoted = false;
        for (char c : line.toCharArray()) {
            if (c == '"') quoted = !quoted;
            else if (c == ',' && !quoted) {
                cells.add(cell.toString());
                cell.setLength(0);
            } else cell.append(c);
        }
        cells.add(cell.toString());
        return cells;
    }
}
