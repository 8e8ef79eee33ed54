package lucidsweep.server;

import static lucidsweep.server.Shop.edit;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.server.RunningApplication.Api;
import lucidsweep.server.RunningApplication.Reply;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/**
 * Drafts are written, decided upon and delivered at random, one after the other or many at once, and after each step every
 * one is held against a plain model of the states.
 */
@ExtendWith(RunningApplication.class)
class DecisionsTest {

    private static final int ITEMS = 70;
    private static final int STEPS = 25;
    private static final List<String> FIELDS = List.of("title", "description", "tags");

    /** From which states a decision may take a draft. */
    private static final Map<String, Set<String>> FROM = Map.of(
            "approved", Set.of("drafted", "sent-back"),
            "sent-back", Set.of("drafted", "approved"),
            "drafted", Set.of("approved", "sent-back"),
            "delivered", Set.of("approved"));

    /** "17 title" to its state. */
    private final Map<String, String> model = new TreeMap<>();

    private Random random;
    private Shop shop;
    private long[] ids;

    @ParameterizedTest
    @ValueSource(longs = {1, 2})
    void everyDraftIsInTheStateThatItsDecisionsGiveIt(long seed, Api api) {
        random = new Random(seed);
        shop = new Shop(
                api,
                "id,title,description,tags\n"
                        + IntStream.range(0, ITEMS)
                                .mapToObj(i -> "P" + i + ",Paddle " + i + ",Of ash and oak " + i + ",paddle\n")
                                .collect(Collectors.joining()));
        ids = new long[ITEMS];
        for (JsonNode row : rows()) {
            ids[Integer.parseInt(row.path("address").asString().substring(1))] =
                    row.path("id").asLong();
        }
        draftMany();
        for (int step = 0; step < STEPS; step++) {
            String did = step();
            assertThat(states()).as("seed %d, step %d: %s", seed, step, did).isEqualTo(model);
        }
    }

    private String step() {
        return switch (random.nextInt(10)) {
            case 0 -> draftMany();
            case 1, 2 -> type();
            case 3, 4 -> deliver();
            default -> decide();
        };
    }

    private String draftMany() {
        String field = FIELDS.get(random.nextInt(2));
        shop.batch(edit("after", field, "\"with\":\" " + random.nextInt(1_000_000) + "\""));
        for (int item = 0; item < ITEMS; item++) model.put(item + " " + field, "drafted");
        return "drafted every " + field;
    }

    private String type() {
        int item = random.nextInt(ITEMS);
        String field = FIELDS.get(random.nextInt(FIELDS.size()));
        String cell = "[{\"itemId\":" + ids[item] + ",\"field\":\"" + field + "\",\"text\":\"typed "
                + random.nextInt(1_000_000) + "\"}]";
        assertThat(shop.post("/cells", cell).status()).isEqualTo(200);
        model.put(item + " " + field, "drafted");
        return "typed the " + field + " of " + item;
    }

    private String decide() {
        String to = List.of("approved", "approved", "sent-back", "drafted").get(random.nextInt(4));
        Set<Integer> items = items();
        Set<String> fields =
                FIELDS.stream().filter(field -> random.nextInt(3) > 0).collect(Collectors.toSet());
        String named = fields.stream().map(field -> "\"" + field + "\"").collect(Collectors.joining(",", "[", "]"));
        if (fields.isEmpty()) fields.addAll(FIELDS);
        JsonNode decided = shop.post(
                        "/decisions",
                        "{\"selection\":" + selection(items) + ",\"fields\":" + named + ",\"state\":\"" + to + "\"}")
                .json();
        List<String> meant = model.keySet().stream()
                .filter(draft -> items.contains(item(draft)) && fields.contains(field(draft)))
                .toList();
        int moved = move(meant, to);
        assertThat(decided.path("texts").asInt()).isEqualTo(moved);
        assertThat(decided.path("left").asInt()).isEqualTo(meant.size() - moved);
        return to + " " + named + " of " + items;
    }

    private String deliver() {
        Set<Integer> items = items();
        Reply made = shop.post("/handovers", "{\"format\":\"csv\",\"selection\":" + selection(items) + "}");
        List<String> meant = model.keySet().stream()
                .filter(draft -> items.contains(item(draft)))
                .toList();
        int moved = move(meant, "delivered");
        assertThat(made.status()).as(made.body()).isEqualTo(moved == 0 ? 409 : 200);
        if (moved > 0) assertThat(made.json().path("texts").asInt()).isEqualTo(moved);
        return "delivered " + items;
    }

    private int move(List<String> drafts, String to) {
        List<String> moving = drafts.stream()
                .filter(draft -> FROM.get(to).contains(model.get(draft)))
                .toList();
        moving.forEach(draft -> model.put(draft, to));
        return moving.size();
    }

    /** All, some that follow one another, or some here and there. */
    private Set<Integer> items() {
        int first = random.nextInt(ITEMS);
        int last = first + random.nextInt(ITEMS - first);
        return switch (random.nextInt(3)) {
            case 0 -> IntStream.range(0, ITEMS).boxed().collect(Collectors.toSet());
            case 1 -> IntStream.rangeClosed(first, last).boxed().collect(Collectors.toSet());
            default -> {
                Set<Integer> some = new HashSet<>(Set.of(first));
                for (int i = 0; i < ITEMS; i++) if (random.nextInt(4) == 0) some.add(i);
                yield some;
            }
        };
    }

    private String selection(Set<Integer> items) {
        if (items.size() == ITEMS && random.nextBoolean()) return "{}";
        List<Long> list = new ArrayList<>();
        items.forEach(item -> list.add(ids[item]));
        return "{\"ids\":" + list + "}";
    }

    private static int item(String draft) {
        return Integer.parseInt(draft.substring(0, draft.indexOf(' ')));
    }

    private static String field(String draft) {
        return draft.substring(draft.indexOf(' ') + 1);
    }

    private JsonNode rows() {
        return shop.get("/items?count=" + ITEMS).json().path("rows");
    }

    private Map<String, String> states() {
        Map<String, String> states = new TreeMap<>();
        for (JsonNode row : rows()) {
            int item = Integer.parseInt(row.path("address").asString().substring(1));
            for (String field : FIELDS) {
                JsonNode cell = row.path(field);
                if (!cell.path("draft").isNull())
                    states.put(item + " " + field, cell.path("state").asString());
            }
        }
        return states;
    }
}
