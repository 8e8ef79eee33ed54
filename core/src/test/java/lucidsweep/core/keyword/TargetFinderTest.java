package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import lucidsweep.core.keyword.Target.Role;
import org.junit.jupiter.api.Test;

/** Targets on made-up properties: the promises that hold for any of them. */
class TargetFinderTest {

    private static final Words ENGLISH = Words.in("en");
    private static final String[] SERVICES = {"kayak hire", "guided tour", "lesson", "paddle workshop", "canoe repair"};
    private static final String[] PLACES = {"gull cove", "fennick", "tarrin bay", "stony reach", "old ferry"};
    private static final String[] FILLERS = {"how to", "prices of", "all about", "our", "the best", "winter", "family"};

    private record Page(long id, ItemTexts texts) {}

    @Test
    void eachKeywordFindsItsHome() {
        List<Page> pages = List.of(
                page(1, "Kayak hire on Tarrin Bay", "Kayak hire", "links to kayak hire"),
                page(2, "Kayak hire in Gull Cove", "Kayak hire in Gull Cove", ""),
                page(3, "Our workshop", "Repairs", "canoe repair, a canoe repaired"),
                page(4, "Legal", "Legal", "wind turbine"));
        List<Target> targets =
                targets(List.of("kayak hire", "kayak hire gull cove", "canoe repair", "wind turbine"), pages);
        assertThat(targets)
                .extracting(Target::item, Target::keyword)
                .containsExactlyInAnyOrder(tuple(2L, 1), tuple(1L, 0), tuple(3L, 2), tuple(4L, 3));
        assertThat(targets.get(0).reason()).isEqualTo("in the title and H1");
        assertThat(targets)
                .filteredOn(target -> target.item() == 3)
                .extracting(Target::reason)
                .containsExactly("in 2 link texts");
    }

    @Test
    void everyItemHasOnePrimaryKeywordAndAFewSecondariesAndAKeywordOneHomeThatHoldsItsWords() {
        int secondaries = 0;
        for (int seed = 0; seed < 30; seed++) {
            List<String> keywords = keywords();
            List<Page> pages = pages(new Random(seed)).subList(0, 10 + seed);
            List<Target> targets = targets(keywords, pages);
            assertThat(targets).isNotEmpty();
            Map<Long, Integer> primaries = new HashMap<>();
            Map<Long, Integer> others = new HashMap<>();
            Set<Integer> homes = new HashSet<>();
            Map<Long, ItemTexts> texts = new TreeMap<>();
            pages.forEach(page -> texts.put(page.id(), page.texts()));
            for (Target target : targets) {
                (target.role() == Role.PRIMARY ? primaries : others).merge(target.item(), 1, Integer::sum);
                assertThat(homes.add(target.keyword())).as("one home a keyword").isTrue();
                assertThat(target.score()).isBetween(0.3, 1.0);
                ItemTexts item = texts.get(target.item());
                String all = String.join(" ", item.title(), item.h1(), item.slug(), item.linkTexts(), item.copy());
                Phrase phrase = Phrase.of(keywords.get(target.keyword()), ENGLISH);
                assertThat(PhraseMatch.of(ENGLISH.of(all), phrase).missing()).isEmpty();
            }
            assertThat(primaries.values()).allMatch(count -> count == 1);
            assertThat(others.values()).allMatch(count -> count <= 4);
            assertThat(primaries.keySet()).as("no secondary without a primary").containsAll(others.keySet());
            secondaries += others.size();
        }
        assertThat(secondaries).isPositive();
    }

    @Test
    void theOrderOfTheItemsDoesNotMatter() {
        for (int seed = 100; seed < 120; seed++) {
            List<Page> pages = pages(new Random(seed));
            List<Target> targets = targets(keywords(), pages);
            Collections.shuffle(pages, new Random(seed));
            assertThat(targets(keywords(), pages)).isEqualTo(targets);
        }
    }

    @Test
    void anIndexThatWasChangedSaysTheSameAsOneMadeAnew() {
        for (int seed = 300; seed < 310; seed++) {
            List<Page> before = pages(new Random(seed));
            List<Page> after = pages(new Random(seed + 1_000));
            ItemIndex index = index(keywords(), before);
            MatchCache kept = new MatchCache(index);
            assertThat(finder(keywords(), index, kept).targets(new Decided())).isEqualTo(targets(keywords(), before));
            List<Page> now = new ArrayList<>(before);
            for (int i = 0; i < after.size(); i++) {
                if (i % 7 > 1) continue;
                Page page = before.get(i);
                ItemTexts texts = i % 7 == 0
                        ? page.texts().withTitle(after.get(i).texts().title())
                        : after.get(i).texts();
                now.set(i, new Page(page.id(), texts));
                index.put(page.id(), texts);
                assertThat(finder(keywords(), index, kept).targets(new Decided()))
                        .as("after item %d", i)
                        .isEqualTo(targets(keywords(), now));
            }
        }
    }

    @Test
    void whatIsDecidedIsNeverGivenOutAndTheRestIsGivenOutAnew() {
        for (int seed = 200; seed < 220; seed++) {
            List<Page> pages = pages(new Random(seed));
            TargetFinder finder = finder(keywords(), index(keywords(), pages));
            List<Target> free = finder.targets(new Decided());
            Target first = free.get(0);
            long cleared = free.get(1).item();
            Decided decided = new Decided();
            decided.home(first.item(), first.keyword(), Role.PRIMARY);
            decided.clear(cleared);
            assertThat(finder.targets(decided))
                    .noneMatch(target -> target.keyword() == first.keyword() || target.item() == cleared)
                    .noneMatch(target -> target.item() == first.item() && target.role() == Role.PRIMARY);
            decided = new Decided();
            for (int i = 0; i < 4; i++) decided.home(first.item(), i, Role.SECONDARY);
            assertThat(finder.targets(decided))
                    .noneMatch(target -> target.item() == first.item() && target.role() == Role.SECONDARY);
        }
    }

    @Test
    void thePageMadeForAPhraseBeatsThoseThatMentionIt() {
        List<Page> pages = pages(new Random(7));
        pages.add(new Page(
                9_999,
                new ItemTexts(
                        "Canoe repair in Fennick",
                        "Canoe repair in Fennick",
                        "canoe repair fennick",
                        "",
                        "canoe repair",
                        "")));
        int keyword = keywords().indexOf("canoe repair fennick");
        assertThat(targets(keywords(), pages))
                .filteredOn(target -> target.keyword() == keyword)
                .singleElement()
                .satisfies(target -> assertThat(target.item()).isEqualTo(9_999))
                .satisfies(target -> assertThat(target.reason()).isEqualTo("in the title, H1 and address"));
    }

    @Test
    void ofTwoPagesAlikeTheOneThatRanksIsTheHome() {
        List<Page> pages = List.of(
                page(1, "Kayak hire", "Kayak hire", ""),
                page(2, "Kayak hire", "Kayak hire", ""),
                page(3, "About", "Us", ""));
        assertThat(targets(List.of("kayak hire"), pages))
                .extracting(Target::item)
                .containsExactly(1L);
        TargetFinder finder = finder(List.of("kayak hire"), index(List.of("kayak hire"), pages));
        finder.ranks(0, 2, 9.2, 0.8);
        assertThat(finder.targets(new Decided())).singleElement().satisfies(target -> {
            assertThat(target.item()).isEqualTo(2);
            assertThat(target.reason()).isEqualTo("in the title and H1; already ninth for it");
        });
        assertThat(finder.candidates(0))
                .extracting(TargetFinder.Candidate::item)
                .containsExactly(2L, 1L);
    }

    @Test
    void whatStandsNowhereButInTheCopyIsNoHome() {
        Page page = new Page(1, new ItemTexts("Sunset tour", "Sunset tour", "", "", "", "We store kayaks in winter."));
        assertThat(targets(List.of("winter kayak storage", "store kayak"), List.of(page)))
                .isEmpty();
    }

    @Test
    void phrasesComeBeforeItems() {
        ItemIndex index = index(List.of("kayak"), List.of(page(1, "Kayak", "Kayak", "")));
        assertThatIllegalStateException().isThrownBy(() -> index.learn(Phrase.of("late", ENGLISH)));
    }

    private static List<Target> targets(List<String> keywords, List<Page> pages) {
        return finder(keywords, index(keywords, pages)).targets(new Decided());
    }

    private static TargetFinder finder(List<String> keywords, ItemIndex index) {
        return finder(keywords, index, new MatchCache(index));
    }

    private static TargetFinder finder(List<String> keywords, ItemIndex index, MatchCache kept) {
        TargetFinder finder = new TargetFinder(index, kept);
        for (int i = 0; i < keywords.size(); i++) finder.keyword(Phrase.of(keywords.get(i), ENGLISH), i * 13 % 7);
        return finder;
    }

    private static ItemIndex index(List<String> keywords, List<Page> pages) {
        ItemIndex index = new ItemIndex(ENGLISH);
        for (String keyword : keywords) index.learn(Phrase.of(keyword, ENGLISH));
        for (Page page : pages) index.put(page.id(), page.texts());
        return index;
    }

    private static Page page(long id, String title, String h1, String linkTexts) {
        return new Page(id, new ItemTexts(title, h1, "", "", linkTexts, ""));
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
