package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Targets on made-up properties: the promises that hold for any of them. */
class TargetFinderTest {

    private static final Words ENGLISH = Words.in("en");
    private static final String[] SERVICES = {"kayak hire", "guided tour", "lesson", "paddle workshop", "canoe repair"};
    private static final String[] PLACES = {"gull cove", "fennick", "tarrin bay", "stony reach", "old ferry"};
    private static final String[] FILLERS = {"how to", "prices of", "all about", "our", "the best", "winter", "family"};

    private record Page(long id, ItemTexts texts) {}

    @Test
    void anItemHasOneKeywordAndAKeywordOneHomeThatHoldsItsWords() {
        for (int seed = 0; seed < 30; seed++) {
            Random random = new Random(seed);
            List<String> keywords = keywords();
            List<Page> pages = pages(random);
            List<Target> targets = targets(keywords, pages, Set.of(), Set.of());
            assertThat(targets).isNotEmpty();
            Set<Long> items = new HashSet<>();
            Set<Integer> homes = new HashSet<>();
            Map<Long, ItemTexts> texts = new TreeMap<>();
            pages.forEach(page -> texts.put(page.id(), page.texts()));
            for (Target target : targets) {
                assertThat(items.add(target.item())).as("one keyword an item").isTrue();
                assertThat(homes.add(target.keyword())).as("one home a keyword").isTrue();
                assertThat(target.score()).isBetween(0.3, 1.0);
                ItemTexts item = texts.get(target.item());
                String all = String.join(" ", item.title(), item.h1(), item.slug(), item.linkTexts(), item.copy());
                Phrase phrase = Phrase.of(keywords.get(target.keyword()), ENGLISH);
                assertThat(PhraseMatch.of(ENGLISH.of(all), phrase).missing()).isEmpty();
            }
        }
    }

    @Test
    void theOrderOfTheItemsDoesNotMatter() {
        for (int seed = 100; seed < 120; seed++) {
            List<Page> pages = pages(new Random(seed));
            List<Target> targets = targets(keywords(), pages, Set.of(), Set.of());
            Collections.shuffle(pages, new Random(seed));
            assertThat(targets(keywords(), pages, Set.of(), Set.of())).isEqualTo(targets);
        }
    }

    @Test
    void whatIsFixedIsNeverGivenOutAndTheRestIsGivenOutAnew() {
        for (int seed = 200; seed < 220; seed++) {
            List<Page> pages = pages(new Random(seed));
            List<Target> free = targets(keywords(), pages, Set.of(), Set.of());
            Target first = free.get(0);
            assertThat(targets(keywords(), pages, Set.of(first.item()), Set.of(first.keyword())))
                    .noneMatch(target -> target.item() == first.item() || target.keyword() == first.keyword())
                    .as("the others keep what they had")
                    .containsAll(free.subList(1, Math.min(4, free.size())));
        }
    }

    @Test
    void thePageMadeForAPhraseBeatsThoseThatMentionIt() {
        List<Page> pages = pages(new Random(7));
        ItemTexts made = new ItemTexts(
                "Canoe repair in Fennick", "Canoe repair in Fennick", "canoe repair fennick", "", "canoe repair", "");
        pages.add(new Page(9_999, made));
        int keyword = keywords().indexOf("canoe repair fennick");
        assertThat(targets(keywords(), pages, Set.of(), Set.of()))
                .filteredOn(target -> target.keyword() == keyword)
                .singleElement()
                .satisfies(target -> assertThat(target.item()).isEqualTo(9_999))
                .satisfies(target ->
                        assertThat(target.reason()).isEqualTo("all its words stand in the title, H1 and address"));
    }

    private static List<Target> targets(List<String> keywords, List<Page> pages, Set<Long> items, Set<Integer> homes) {
        TargetFinder finder = new TargetFinder(ENGLISH);
        for (int i = 0; i < keywords.size(); i++) finder.keyword(keywords.get(i), i * 13 % 7);
        for (Page page : pages) finder.item(page.id(), page.texts());
        return finder.targets(items, homes);
    }

    private static List<String> keywords() {
        List<String> keywords = new ArrayList<>();
        for (String service : SERVICES) {
            keywords.add(service);
            for (String place : PLACES) keywords.add(service + " " + place);
        }
        return keywords;
    }

    private static List<Page> pages(Random random) {
        List<Page> pages = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            String service = SERVICES[random.nextInt(SERVICES.length)];
            String place = PLACES[random.nextInt(PLACES.length)];
            String filler = FILLERS[random.nextInt(FILLERS.length)];
            String title = random.nextInt(4) == 0 ? filler + " " + place : service + " in " + place;
            String copy = (filler + " " + service + " and " + SERVICES[random.nextInt(SERVICES.length)] + " near "
                            + place + ". ")
                    .repeat(1 + random.nextInt(6));
            String slug = random.nextBoolean() ? service : "page " + i;
            pages.add(new Page(1_000 - i, new ItemTexts(title, filler + " " + service, slug, "", "", copy)));
        }
        return pages;
    }
}
