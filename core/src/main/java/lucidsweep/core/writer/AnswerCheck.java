package lucidsweep.core.writer;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.finding.SaysNothing;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.LanguageGuess;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.PhraseMatch;
import lucidsweep.core.keyword.Word;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.standard.LimitCheck;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;
import lucidsweep.core.text.TextKey;

/**
 * Holds answers of a text-generation service against the page they are about: limits, keyword, language, other people's names,
 * and no number, price, place, name or promise that the page does not have. Safe for use by many threads.
 */
public final class AnswerCheck {

    /** What writers put around a text when they talk about it. */
    private static final Pattern TALK = Pattern.compile(
            "^(?:sure|certainly|of course|here is|here’s|here's|as an ai|natürlich|gerne|hier ist|voici|bien sûr|claro"
                    + "|aquí tienes|ecco|certo|natuurlijk|hier is|aqui está|oczywiście|oto)\\b[^.]{0,60}[:!,]"
                    + "|^(?:meta )?(?:title|description|titel|beschreibung|titre|título|titolo|tytuł)\\s*:"
                    + "|\\b(?:as an ai|i cannot|i can't|language model)\\b|\\(\\d+ characters?\\)",
            Pattern.CASE_INSENSITIVE | Pattern.UNICODE_CASE);

    private static final Pattern MARKUP = Pattern.compile(
            "[<>{}\\[\\]`]|\\*\\*|^#+\\s|&\\w{2,8};|\\\\n|\\bundefined\\b|\\bnull\\b|(?i:lorem ipsum)|%[sd]\\b|^[\"“].*[\"”]$");

    private static final Pattern CUT_OFF = Pattern.compile("(?:…|\\.\\.\\.|[,;:–-])$");

    private static final Pattern WEB_ADDRESS = Pattern.compile(
            "(?:https?://|www\\.)\\S+|\\S+@\\S+\\.\\p{L}{2,}|\\b[\\p{L}\\d-]{2,}\\.(?:com|org|net|de|fr|uk|io|shop|example)\\b|\\+?\\d[\\d ()/-]{7,}\\d",
            Pattern.CASE_INSENSITIVE);

    private static final int FEW_WORDS = 2;

    private final Words words;
    private final Vocabulary vocabulary;
    private final Map<String, String> others = new LinkedHashMap<>();
    private final List<List<Word>> claims;

    /**
     * Prepares to check answers about the items of a property.
     *
     * @param others names that no answer may contain: of other clients and of rivals
     */
    public AnswerCheck(Words words, Vocabulary vocabulary, Collection<String> others) {
        this.words = words;
        this.vocabulary = vocabulary;
        for (String name : others) this.others.put(TextKey.key(name), name);
        this.others.remove("");
        // The longer one first, so that "award-winning" is not said of "award", too.
        claims = words.language().claims().stream()
                .map(words::of)
                .sorted(Comparator.comparingInt((List<Word> claim) -> -claim.size()))
                .toList();
    }

    /**
     * What an answer is held to.
     *
     * @param makes the field it is for; null for a note
     * @param maxChars 0 for what the standard says
     * @param keyword of the item; null for none
     */
    public record Wanted(
            @Nullable Field makes,
            int maxChars,
            Standard standard,
            @Nullable Phrase keyword) {}

    /** What is wrong with an answer, in the order of weight; nothing where it may be used. */
    public List<Objection> of(String answer, Wanted wanted, Briefing item) {
        if (answer.isBlank()) return List.of(Objection.of(Objection.Kind.EMPTY, "there is no text"));
        if (wanted.makes == Field.IMAGES) return ofAlts(answer, wanted, item);
        return ofText(answer, wanted, new PageWords(item, words), item);
    }

    /** Of alt texts every line is held against the page by itself. */
    private List<Objection> ofAlts(String answer, Wanted wanted, Briefing item) {
        List<String> lines = AltLines.of(answer);
        List<String> images = item.lines(Input.IMAGES);
        if (lines.size() != images.size()) {
            return List.of(
                    plain("a line for each of " + images.size() + " images is wanted, and it has " + lines.size()));
        }
        Set<Objection> wrong = new LinkedHashSet<>();
        Set<String> said = new HashSet<>();
        PageWords page = new PageWords(item, words);
        for (String line : lines) {
            if (SaysNothing.asAlt(line)) wrong.add(plain("“" + line + "” is the name of a file"));
            if (!said.add(TextKey.key(line))) wrong.add(plain("two images get “" + line + "”"));
            wrong.addAll(ofText(line, wanted, page, item));
        }
        return List.copyOf(wrong);
    }

    private List<Objection> ofText(String answer, Wanted wanted, PageWords page, Briefing item) {
        List<Objection> wrong = new ArrayList<>();
        List<Word> said = words.of(answer);
        plainText(answer, said, wanted, wrong);
        length(answer, wanted, wrong);
        keyword(said, wanted, wrong);
        language(answer, said, page, wrong);
        othersNames(answer, item, page, wrong);
        addresses(answer, wrong);
        notOnPage(answer, said, page, wrong);
        return wrong;
    }

    private void plainText(String answer, List<Word> said, Wanted wanted, List<Objection> wrong) {
        boolean oneLine = wanted.makes == Field.TITLE || wanted.makes == Field.H1;
        boolean lines = oneLine && answer.strip().contains("\n");
        boolean note = wanted.makes == null;
        if (TALK.matcher(answer).find()) wrong.add(plain("it talks about the text instead of being it"));
        else if (!note && MARKUP.matcher(answer).find() || lines) wrong.add(plain("it is no plain text"));
        else if (!note && breaksOff(answer.strip(), said)) wrong.add(plain("it breaks off"));
    }

    /** "Built by hand and sealed with". */
    private boolean breaksOff(String answer, List<Word> said) {
        if (CUT_OFF.matcher(answer).find()) return true;
        // German verbs leave a part of theirs at the end: "Hunde dürfen mit".
        if (words.language().hasCapitalNouns()) return false;
        Word last = said.isEmpty() ? null : said.get(said.size() - 1);
        return last != null
                && last.end() == answer.length()
                && words.language().small().contains(small(last));
    }

    private static Objection plain(String says) {
        return Objection.of(Objection.Kind.NO_PLAIN_TEXT, says);
    }

    private static void length(String answer, Wanted wanted, List<Objection> wrong) {
        String over = over(answer, wanted);
        if (!over.isEmpty()) wrong.add(Objection.of(Objection.Kind.TOO_LONG, "it is " + over));
    }

    private static String over(String answer, Wanted wanted) {
        int chars = Graphemes.count(answer);
        if (wanted.maxChars > 0 && chars > wanted.maxChars) return (chars - wanted.maxChars) + " characters over";
        if (wanted.makes == null) return "";
        if (wanted.makes != Field.TAGS)
            return LimitCheck.of(answer, wanted.standard.limits(wanted.makes)).says();
        return wanted.standard.tags().fit(TagList.of(answer)) ? "" : "more, or longer, tags than allowed";
    }

    private static void keyword(List<Word> said, Wanted wanted, List<Objection> wrong) {
        boolean needed = wanted.makes == Field.TITLE || wanted.makes == Field.DESCRIPTION;
        if (!needed || wanted.keyword == null) return;
        List<String> missing = PhraseMatch.of(said, wanted.keyword).missing();
        if (missing.isEmpty()) return;
        String list = missing.stream().map(word -> "“" + word + "”").collect(Collectors.joining(", "));
        wrong.add(Objection.of(
                Objection.Kind.KEYWORD_MISSING,
                list + " of the keyword " + (missing.size() == 1 ? "is" : "are") + " missing"));
    }

    private void language(String answer, List<Word> said, PageWords page, List<Objection> wrong) {
        Language own = words.language();
        if (own.code().isEmpty()) return;
        Optional<Language> guess = LanguageGuess.of(answer).filter(other -> other != own);
        if (guess.isPresent() || readsForeign(said, page, own)) {
            wrong.add(Objection.of(
                    Objection.Kind.OTHER_LANGUAGE,
                    "it is not in " + Locale.forLanguageTag(own.code()).getDisplayLanguage(Locale.UK)));
        }
    }

    /** A short text says little of its language: here it has little words of another one, none of its own, and few of the page. */
    private static boolean readsForeign(List<Word> said, PageWords page, Language own) {
        Set<String> common = own.common();
        long ours = said.stream().filter(word -> common.contains(small(word))).count();
        long known = said.stream().filter(page::has).count();
        if (ours > 0 || known * 2 > said.size()) return false;
        return Language.all().stream()
                .filter(other -> other != own)
                .anyMatch(other -> said.stream()
                                .filter(word -> other.common().contains(small(word)))
                                .count()
                        >= (said.size() < 8 ? 1 : FEW_WORDS));
    }

    private static String small(Word word) {
        return word.text().toLowerCase(Locale.ROOT);
    }

    private void othersNames(String answer, Briefing item, PageWords page, List<Objection> wrong) {
        String key = " " + TextKey.key(answer) + " ";
        String own = " " + TextKey.key(item.text(Input.BRAND)) + " ";
        others.forEach((name, written) -> {
            if (key.contains(" " + name + " ") && !own.contains(" " + name + " ") && !isOrdinary(written, page)) {
                wrong.add(new Objection(
                        Objection.Kind.OTHERS_NAME, written, "“" + written + "” is the name of somebody else"));
            }
        });
    }

    /** Somebody may be called what everybody says: "Kayak hire". */
    private boolean isOrdinary(String name, PageWords page) {
        return words.of(name).stream()
                .allMatch(word -> word.stop() || vocabulary.isWord(word.text()) || page.writesSmall(word));
    }

    private static void addresses(String answer, List<Objection> wrong) {
        Matcher address = WEB_ADDRESS.matcher(answer);
        if (address.find())
            wrong.add(new Objection(
                    Objection.Kind.ADDRESS,
                    address.group(),
                    "it has an address or number to turn to, “" + address.group() + "”"));
    }

    private void notOnPage(String answer, List<Word> said, PageWords page, List<Objection> wrong) {
        for (Amount amount : Amount.in(answer, words)) {
            if (!page.has(amount, answer, said)) wrong.add(Objection.notOnPage(amount.written()));
        }
        new NamesInAnswer(answer, said, page, vocabulary, words.language())
                .unknown()
                .forEach(name -> wrong.add(Objection.notOnPage(name)));
        for (List<Word> claim : claims) {
            int at = indexOf(said, claim);
            if (at < 0 || page.hasPhrase(claim)) continue;
            String written = answer.substring(
                    said.get(at).start(), said.get(at + claim.size() - 1).end());
            boolean known = wrong.stream().anyMatch(other -> other.words().contains(written));
            if (!known) wrong.add(Objection.notOnPage(written));
        }
    }

    private static int indexOf(List<Word> said, List<Word> phrase) {
        for (int start = 0; start + phrase.size() <= said.size(); start++) {
            int found = 0;
            while (found < phrase.size()
                    && said.get(start + found).stem().equals(phrase.get(found).stem())) found++;
            if (found == phrase.size()) return start;
        }
        return -1;
    }
}
