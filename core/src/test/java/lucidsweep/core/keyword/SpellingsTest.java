package lucidsweep.core.keyword;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;

/** Properties of what is found in phrases, over many made-up ones. */
class SpellingsTest {

    private static final Words WORDS = Words.in("en");
    private static final String NAME = "tarrin bay kayaks";

    private static String slipped(String text, Random random) {
        int at = 1 + random.nextInt(text.length() - 2);
        return switch (random.nextInt(3)) {
            case 0 -> text.substring(0, at) + text.substring(at + 1);
            case 1 -> text.substring(0, at) + (char) ('a' + random.nextInt(26)) + text.substring(at);
            default -> text.substring(0, at) + text.charAt(at + 1) + text.charAt(at) + text.substring(at + 2);
        };
    }

    @Test
    void aNameWithASlipAnywhereIsFoundAmongOtherWords() {
        BrandNames brand = new BrandNames(List.of("Tarrin Bay Kayaks"), WORDS);
        Random random = new Random(3);
        for (int i = 0; i < 400; i++) {
            String written = slipped(NAME.replace(" ", random.nextBoolean() ? " " : ""), random);
            String phrase = random.nextBoolean() ? written + " prices" : "hire " + written;
            BrandNames.Spelling spelling = brand.spelling(phrase).orElseThrow(() -> new AssertionError(phrase));
            assertThat(spelling.slips()).as(phrase).isBetween(0, 2);
            assertThat(spelling.kind() == BrandNames.Kind.SLIP).isEqualTo(spelling.slips() > 0);
            assertThat(phrase).contains(spelling.text());
        }
    }

    @Test
    void wordsOfOtherThingsNameNoBrand() {
        BrandNames brand = new BrandNames(List.of("Tarrin Bay Kayaks"), WORDS);
        List<String> words = List.of("kayak", "bay", "hire", "seal", "tour", "gull", "cove", "price", "the", "canoe");
        Random random = new Random(4);
        for (int i = 0; i < 400; i++) {
            StringBuilder phrase = new StringBuilder();
            for (int w = 0; w <= random.nextInt(5); w++)
                phrase.append(words.get(random.nextInt(words.size()))).append(' ');
            assertThat(brand.spelling(phrase.toString())).as(phrase.toString()).isEmpty();
        }
    }

    @Test
    void everyCombinationIsFoundWhateverTheOrderAndNothingElse() {
        List<String> services = List.of("kayak hire", "seal tour", "lesson");
        List<String> places = List.of("Gull Cove", "Fennick", "Skerry Island");
        PlaceGrid grid = new PlaceGrid(services, places, WORDS);
        List<String> all =
                List.of("kayak", "hire", "seal", "tour", "lesson", "gull", "cove", "fennick", "skerry", "island");
        Random random = new Random(5);
        Map<String, List<Integer>> wanted = new TreeMap<>();
        for (int i = 0; i < 3_000; i++) {
            List<String> some = new ArrayList<>();
            for (int w = 0; w < 2 + random.nextInt(3); w++) some.add(all.get(random.nextInt(all.size())));
            String cell = null;
            for (String service : services) {
                for (String place : places) {
                    Set<String> words = new HashSet<>(List.of((service + " " + place.toLowerCase()).split(" ")));
                    if (words.equals(new HashSet<>(some))) cell = service + " in " + place;
                }
            }
            assertThat(grid.keyword(String.join(" ", some), (long) i))
                    .as(some.toString())
                    .isEqualTo(cell != null);
            if (cell != null)
                wanted.computeIfAbsent(cell, any -> new ArrayList<>()).add(0, i);
        }
        assertThat(wanted).hasSizeGreaterThan(4);
        Map<String, List<Integer>> found = new HashMap<>();
        for (PlaceGrid.Cell cell : grid.cells()) {
            if (cell.keywords().isEmpty()) continue;
            found.put(cell.service() + " in " + cell.place(), cell.keywords());
            assertThat(cell.volume())
                    .isEqualTo(cell.keywords().stream()
                            .mapToLong(Integer::longValue)
                            .sum());
        }
        assertThat(found).isEqualTo(wanted);
    }

    @Test
    void tellingWordsAreOrderedAsThePlainMeasureOrdersThem() {
        Random random = new Random(6);
        TellingWords telling = new TellingWords(WORDS);
        int[][] counts = new int[26][2];
        for (int text = 0; text < 300; text++) {
            boolean about = text % 3 == 0;
            StringBuilder words = new StringBuilder();
            for (int w = 0; w < 26; w++) {
                double share = about ? (w + 1) / 40.0 : 0.12;
                if (random.nextDouble() >= share) continue;
                words.append("zz").append((char) ('a' + w)).append("q. ");
                counts[w][about ? 0 : 1]++;
            }
            if (about) telling.about(words.toString());
            else telling.other(words.toString());
        }
        List<TellingWords.Telling> strongest = telling.strongest(26, Set.of());
        assertThat(strongest).hasSizeGreaterThan(8);
        for (TellingWords.Telling each : strongest) {
            int[] count = counts[each.text().charAt(2) - 'a'];
            assertThat(each.texts()).isEqualTo(count[0]);
            assertThat(each.weight())
                    .isCloseTo(plain(count[0], count[1], 100, 200), org.assertj.core.data.Offset.offset(1e-9));
            assertThat(count[0] / 100.0).isGreaterThanOrEqualTo(2.5 * count[1] / 200.0);
        }
    }

    /** Dunning's ratio from the table of two rows, those that hold the word. */
    private static double plain(int about, int others, int texts, int otherTexts) {
        double share = (about + others) / (double) (texts + otherTexts);
        double first = about == 0 ? 0 : about * Math.log(about / (texts * share));
        double second = others == 0 ? 0 : others * Math.log(others / (otherTexts * share));
        return 2 * (first + second);
    }

    @Test
    void figuresOfCountriesAddUpInAnyOrderAndAListThatIsReadTwiceChangesNothing() {
        Random random = new Random(8);
        for (int round = 0; round < 200; round++) {
            List<SearchFigures> some = new ArrayList<>();
            for (String country : List.of("gb", "ie", "us")) {
                Long volume = random.nextInt(4) == 0 ? null : (Long) (long) random.nextInt(900);
                List<Long> months = new ArrayList<>();
                for (int m = random.nextInt(4); m > 0; m--) months.add((long) random.nextInt(50) - 1);
                some.add(new SearchFigures(country, volume, null, country, months, months.isEmpty() ? "" : "2026-10"));
            }
            SearchFigures sum = SearchFigures.sum(some);
            List<SearchFigures> turned = new ArrayList<>(some);
            java.util.Collections.shuffle(turned, random);
            assertThat(SearchFigures.sum(turned)).isEqualTo(sum);
            long plain = some.stream()
                    .mapToLong(each -> each.volume() == null ? 0 : each.volume())
                    .sum();
            assertThat(sum.volume() == null ? 0 : sum.volume()).isEqualTo(plain);
            for (SearchFigures each : some) assertThat(each.updated(each)).isEqualTo(each);
        }
    }
}
