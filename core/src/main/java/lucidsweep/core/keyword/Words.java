package lucidsweep.core.keyword;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import org.apache.lucene.analysis.Analyzer;
import org.apache.lucene.analysis.CharArraySet;
import org.apache.lucene.analysis.LowerCaseFilter;
import org.apache.lucene.analysis.TokenStream;
import org.apache.lucene.analysis.Tokenizer;
import org.apache.lucene.analysis.de.GermanAnalyzer;
import org.apache.lucene.analysis.de.GermanLightStemFilter;
import org.apache.lucene.analysis.de.GermanNormalizationFilter;
import org.apache.lucene.analysis.en.EnglishAnalyzer;
import org.apache.lucene.analysis.en.EnglishPossessiveFilter;
import org.apache.lucene.analysis.en.KStemFilter;
import org.apache.lucene.analysis.es.SpanishAnalyzer;
import org.apache.lucene.analysis.es.SpanishLightStemFilter;
import org.apache.lucene.analysis.fr.FrenchAnalyzer;
import org.apache.lucene.analysis.fr.FrenchLightStemFilter;
import org.apache.lucene.analysis.it.ItalianAnalyzer;
import org.apache.lucene.analysis.it.ItalianLightStemFilter;
import org.apache.lucene.analysis.nl.DutchAnalyzer;
import org.apache.lucene.analysis.pt.PortugueseAnalyzer;
import org.apache.lucene.analysis.pt.PortugueseLightStemFilter;
import org.apache.lucene.analysis.snowball.SnowballFilter;
import org.apache.lucene.analysis.standard.StandardTokenizer;
import org.apache.lucene.analysis.tokenattributes.CharTermAttribute;
import org.apache.lucene.analysis.tokenattributes.OffsetAttribute;

/**
 * Takes texts apart by Unicode word break and stems the words lightly, by language; "kayaks" and "kayak" are then alike.
 * Safe for use by many threads.
 *
 * <pre>{@code Words.in("en").of("The kayaks")   // The (stop), kayaks (stem "kayak") }</pre>
 */
public final class Words {

    private static final Map<String, Words> BY_LANGUAGE = new ConcurrentHashMap<>();

    private final Analyzer analyzer;
    private final CharArraySet stopWords;
    private final Language data;

    private Words(String language) {
        data = Language.of(language);
        stopWords = stopWords(language);
        analyzer = new Analyzer() {
            @Override
            protected TokenStreamComponents createComponents(String field) {
                Tokenizer source = new StandardTokenizer();
                return new TokenStreamComponents(source, stemmed(language, new LowerCaseFilter(source)));
            }
        };
    }

    /**
     * The words of a language.
     *
     * @param language a language tag such as "en" or "en-GB"; one without a stemmer is only taken apart and case-folded
     */
    public static Words in(String language) {
        Words asked = BY_LANGUAGE.get(language);
        if (asked != null) return asked;
        String code = language.toLowerCase(Locale.ROOT).split("[-_]")[0];
        String known = code.isEmpty() ? "en" : code.matches("en|de|fr|es|it|nl|pt|pl") ? code : "other";
        return BY_LANGUAGE.computeIfAbsent(known, Words::new);
    }

    /** What else depends on the language. */
    public Language language() {
        return data;
    }

    /** Whether a word, in whatever letter case, is a stop word. */
    public boolean isStop(String word) {
        return stopWords.contains(word);
    }

    /** The stems of the words of a text that count, each once; stop words do not. */
    public Set<String> stems(String text) {
        Set<String> stems = new HashSet<>();
        String normal = normal(text);
        try (TokenStream stream = analyzer.tokenStream("", normal)) {
            CharTermAttribute term = stream.addAttribute(CharTermAttribute.class);
            OffsetAttribute offset = stream.addAttribute(OffsetAttribute.class);
            stream.reset();
            while (stream.incrementToken()) {
                CharSequence word = normal.subSequence(offset.startOffset(), offset.endOffset());
                if (!stopWords.contains(word)) stems.add(term.toString());
            }
            stream.end();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return stems;
    }

    private static String normal(String text) {
        return Normalizer.isNormalized(text, Normalizer.Form.NFKC)
                ? text
                : Normalizer.normalize(text, Normalizer.Form.NFKC);
    }

    /** The words of a text in their order. */
    public List<Word> of(String text) {
        Compatible normal = Compatible.of(text);
        List<Word> words = new ArrayList<>();
        try (TokenStream stream = analyzer.tokenStream("", normal.text())) {
            CharTermAttribute term = stream.addAttribute(CharTermAttribute.class);
            OffsetAttribute offset = stream.addAttribute(OffsetAttribute.class);
            stream.reset();
            while (stream.incrementToken()) {
                boolean stop = stopWords.contains(normal.text().subSequence(offset.startOffset(), offset.endOffset()));
                int start = normal.startOf(offset.startOffset());
                int end = normal.endOf(offset.endOffset());
                words.add(new Word(text.substring(start, end), term.toString(), stop, start, end));
            }
            stream.end();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return words;
    }

    /**
     * Gives the stem of every word of a text in turn, without the words themselves: a quarter of the work.
     *
     * @return how many words there are
     */
    int forEachStem(String text, Consumer<String> stems) {
        int count = 0;
        try (TokenStream stream = analyzer.tokenStream("", normal(text))) {
            CharTermAttribute term = stream.addAttribute(CharTermAttribute.class);
            stream.reset();
            while (stream.incrementToken()) {
                stems.accept(term.toString());
                count++;
            }
            stream.end();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return count;
    }

    private static CharArraySet stopWords(String language) {
        return switch (language) {
            case "de" -> GermanAnalyzer.getDefaultStopSet();
            case "fr" -> FrenchAnalyzer.getDefaultStopSet();
            case "es" -> SpanishAnalyzer.getDefaultStopSet();
            case "it" -> ItalianAnalyzer.getDefaultStopSet();
            case "nl" -> DutchAnalyzer.getDefaultStopSet();
            case "pt" -> PortugueseAnalyzer.getDefaultStopSet();
            case "pl" -> new CharArraySet(Language.of("pl").common(), true);
            case "other" -> CharArraySet.EMPTY_SET;
            default -> English.STOP_WORDS;
        };
    }

    private static TokenStream stemmed(String language, TokenStream words) {
        return switch (language) {
            case "de" -> new GermanLightStemFilter(new GermanNormalizationFilter(words));
            case "fr" -> new FrenchLightStemFilter(words);
            case "es" -> new SpanishLightStemFilter(words);
            case "it" -> new ItalianLightStemFilter(words);
            case "pt" -> new PortugueseLightStemFilter(words);
            case "nl" -> new SnowballFilter(words, "Dutch");
            case "pl", "other" -> words;
            default -> new KStemFilter(new EnglishPossessiveFilter(words));
        };
    }

    /** English is also what a property without a language is read as. */
    private static final class English {
        private static final CharArraySet STOP_WORDS = stopWords();

        private static CharArraySet stopWords() {
            CharArraySet words = new CharArraySet(EnglishAnalyzer.getDefaultStopSet(), true);
            words.addAll(List.of("our", "your", "you", "we", "from", "my", "me", "its", "near", "how", "what"));
            return CharArraySet.unmodifiableSet(words);
        }
    }
}
