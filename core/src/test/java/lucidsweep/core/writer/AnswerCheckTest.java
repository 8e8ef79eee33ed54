package lucidsweep.core.writer;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.Standard;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class AnswerCheckTest {

    private static final List<String> OTHERS = List.of(
            "Tarrin Bay Kayaks",
            "Larkmoor Bakery",
            "Brack Boats",
            "Skerry Oars",
            "Seeblick Boote",
            "Cyclo Plus",
            "Forno Sole");

    private static final Pattern REASON = Pattern.compile("- \\[([a-z-]+)] (.*)");

    /** A page and what was answered about it. */
    private record Page(Map<String, String> texts, List<String> good, List<String> bad) {

        private Page() {
            this(new java.util.HashMap<>(), new ArrayList<>(), new ArrayList<>());
        }

        private List<Objection> objections(String answer) {
            Words words = Words.in(texts.get("language"));
            Map<Input, String> known = new EnumMap<>(Input.class);
            for (Input input : Input.values()) {
                String text = texts.get(input.code());
                if (text != null) known.put(input, text);
            }
            Vocabulary vocabulary = new Vocabulary();
            known.values().forEach(vocabulary::add);
            Field makes = Field.of(texts.get("makes"));
            return new AnswerCheck(words, vocabulary, OTHERS)
                    .of(
                            answer,
                            new AnswerCheck.Wanted(
                                    makes, 0, Standard.ofPages(), Phrase.of(texts.get("keyword"), words)),
                            new Briefing(known, Map.of()));
        }
    }

    private static List<Page> pages() throws IOException {
        List<Page> pages = new ArrayList<>();
        for (String file : List.of("answers-1.txt", "answers-2.txt")) {
            try (InputStream in = AnswerCheckTest.class.getResourceAsStream(file)) {
                for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
                    if (line.startsWith("page: ")) pages.add(new Page());
                    if (line.isBlank() || line.startsWith("#")) continue;
                    Page page = pages.get(pages.size() - 1);
                    if (line.startsWith("+ ")) page.good.add(line.substring(2));
                    else if (line.startsWith("- ")) page.bad.add(line);
                    else page.texts.put(line.split(": ", 2)[0], line.split(": ", 2)[1]);
                }
            }
        }
        return pages;
    }

    @Test
    void everyPlantedFaultIsCaughtForWhatItIs() throws IOException {
        List<String> missed = new ArrayList<>();
        int count = 0;
        for (Page page : pages()) {
            for (String line : page.bad) {
                Matcher planted = REASON.matcher(line);
                assertThat(planted.matches()).as(line).isTrue();
                count++;
                boolean caught = page.objections(planted.group(2)).stream()
                        .anyMatch(objection -> objection.kind().toString().equals(planted.group(1)));
                if (!caught) missed.add(line + "  " + page.objections(planted.group(2)));
            }
        }
        assertThat(count).isEqualTo(200);
        assertThat(missed).isEmpty();
    }

    /** A rival may be called what everybody says. */
    @ParameterizedTest
    @CsvSource({"Kayak Hire, false", "Gull Cove Boats, true", "Larkmoor Kayak Hire, true"})
    void aNameOfOrdinaryWordsIsNobodys(String rival, boolean caught) {
        Words words = Words.in("en");
        Briefing page = new Briefing(
                Map.of(Input.COPY, "Our kayak hire by the hour: boats at Gull Cove.", Input.KEYWORD, "kayak hire"),
                Map.of());
        List<Objection> wrong = new AnswerCheck(words, new Vocabulary(), List.of(rival))
                .of(rival + " by the hour", new AnswerCheck.Wanted(Field.TITLE, 0, Standard.ofPages(), null), page);
        assertThat(wrong.stream().anyMatch(each -> each.kind() == Objection.Kind.OTHERS_NAME))
                .isEqualTo(caught);
    }

    /** Of alt texts every line is judged, and goes to its image. */
    @ParameterizedTest(name = "{0}")
    @CsvSource(
            delimiter = '|',
            nullValues = "-",
            value = {
                "An oar of ash~A red kayak on the slip | -",
                "1. An oar of ash~2) A red kayak on the slip | -",
                "An oar of ash | a line for each of 2 images is wanted, and it has 1",
                "An oar of ash~DSC_0042.jpg | is the name of a file",
                "An oar of ash~an OAR of ash | two images get",
                "An oar of ash~A red kayak for £9 | not on the page",
                "Sure! Here are the texts:~A red kayak | it talks about the text",
            })
    void altTextsAreJudgedLineByLine(String lines, String says) {
        List<String> images = List.of("/img/oar-ash.jpg", "/img/kayak.jpg");
        Briefing page = new Briefing(
                Map.of(
                        Input.COPY,
                        "A red kayak on the slip, an oar of ash beside it.",
                        Input.IMAGES,
                        String.join("\n", images)),
                Map.of());
        String answer = lines.replace('~', '\n');
        List<Objection> wrong = new AnswerCheck(Words.in("en"), new Vocabulary(), List.of())
                .of(answer, new AnswerCheck.Wanted(Field.IMAGES, 0, Standard.ofPages(), null), page);
        if (says == null) {
            assertThat(wrong).isEmpty();
            assertThat(AltLines.given(answer, images))
                    .hasValue("/img/oar-ash.jpg\tAn oar of ash\n/img/kayak.jpg\tA red kayak on the slip");
        } else {
            assertThat(wrong).anySatisfy(each -> assertThat(each.says()).contains(says));
        }
    }

    /** Pages and answers of anything: whatever they hold, an answer is judged. */
    @ParameterizedTest
    @ValueSource(strings = {"en", "de", "fr", "pl", "xx"})
    void oddTextsAreJudgedToo(String language) {
        String[] parts = {
            "£",
            "18",
            "3:15",
            "1,250",
            "10 %",
            "24/7",
            "…",
            "\"",
            "{",
            "👩‍👩‍👧",
            "漢字",
            "Kayak",
            "ASH",
            "é",
            "\u0000",
            "www.a.example",
            "12.",
            ".5",
            "-",
            "—",
            "two",
            "zwei",
            "best",
            "in",
            "Ab",
            "\n",
            "’",
            "½",
            "٣",
            "\uD83D",
            "a\u0301"
        };
        Words words = Words.in(language);
        Random random = new Random(language.hashCode());
        for (int round = 0; round < 1_500; round++) {
            String page = odd(parts, random);
            String answer = random.nextInt(4) == 0 ? page : odd(parts, random);
            Vocabulary vocabulary = new Vocabulary();
            vocabulary.add(odd(parts, random));
            Briefing item = new Briefing(Map.of(Input.COPY, page), Map.of());
            Field makes = List.of(Field.TITLE, Field.DESCRIPTION, Field.TAGS).get(random.nextInt(3));
            List<Objection> wrong = new AnswerCheck(words, vocabulary, OTHERS)
                    .of(answer, new AnswerCheck.Wanted(makes, 0, Standard.ofPages(), null), item);
            if (answer.equals(page))
                assertThat(wrong)
                        .as("what the page says is on the page: " + page)
                        .noneMatch(each -> each.kind() == Objection.Kind.NOT_ON_PAGE);
        }
    }

    private static String odd(String[] parts, Random random) {
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(9); i >= 0; i--) {
            text.append(parts[random.nextInt(parts.length)]).append(random.nextBoolean() ? " " : "");
        }
        return text.toString();
    }

    @Test
    void goodAnswersPass() throws IOException {
        List<String> refused = new ArrayList<>();
        int count = 0;
        for (Page page : pages()) {
            for (String answer : page.good) {
                count++;
                List<Objection> wrong = page.objections(answer);
                if (!wrong.isEmpty()) refused.add(answer + "  " + wrong);
            }
        }
        assertThat(count).isEqualTo(200);
        assertThat(refused).hasSizeLessThanOrEqualTo(4);
    }
}
