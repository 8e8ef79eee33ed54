package lucidsweep.core.keyword;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.text.Normalizer;
import java.util.Arrays;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What depends on a language, read from one file for each ({@code languages/de.txt}); to add a language is to add its file and
 * its code.
 *
 * <pre>{@code
 * Language.of("de-AT").generic()   // [startseite, willkommen, …]
 * Language.of("de").slug("Räucherofen")   // "raeucherofen"
 * }</pre>
 */
public final class Language {

    private static final List<String> CODES = List.of("en", "de", "fr", "es", "it", "nl", "pt", "pl");
    private static final Map<String, Language> ALL = new LinkedHashMap<>();

    static {
        for (String code : CODES) ALL.put(code, new Language(code, read(code)));
    }

    private static final List<Language> LIST = List.copyOf(ALL.values());

    /** What is read as a language that there is no file for. */
    private static final Language UNKNOWN = new Language("", Map.of());

    private final String code;
    private final Map<String, Set<String>> lists;
    private final Map<String, String> inSlugs = new LinkedHashMap<>();
    private final Map<String, String> numbers = new LinkedHashMap<>();

    private Language(String code, Map<String, Set<String>> lists) {
        this.code = code;
        this.lists = lists;
        for (String pair : list("slug")) {
            String[] parts = pair.split(" ");
            inSlugs.put(parts[0], parts[1]);
        }
        for (String pair : list("numbers")) {
            String[] parts = pair.split(" ");
            numbers.put(parts[0], parts[1]);
        }
    }

    /** The language of a tag such as "de" or "pt-BR"; English for "", and one without words where there is no file for it. */
    public static Language of(String tag) {
        String code = tag.toLowerCase(Locale.ROOT).split("[-_]")[0];
        return code.isEmpty() ? ALL.get("en") : ALL.getOrDefault(code, UNKNOWN);
    }

    /** All that there are files for. */
    public static List<Language> all() {
        return LIST;
    }

    private static Map<String, Set<String>> read(String code) {
        Map<String, Set<String>> lists = new HashMap<>();
        try (InputStream file = Language.class.getResourceAsStream("languages/" + code + ".txt");
                BufferedReader lines = new BufferedReader(new InputStreamReader(file, StandardCharsets.UTF_8))) {
            lines.lines()
                    .filter(line -> !line.isBlank() && line.charAt(0) != '#')
                    .forEach(line -> {
                        int equals = line.indexOf('=');
                        lists.put(
                                line.substring(0, equals).strip(),
                                Arrays.stream(line.substring(equals + 1).split("\\|"))
                                        .map(entry -> entry.strip().toLowerCase(Locale.ROOT))
                                        .collect(Collectors.toCollection(LinkedHashSet::new)));
                    });
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return lists;
    }

    private Set<String> list(String name) {
        return lists.getOrDefault(name, Set.of());
    }

    /** As tags begin: "de"; "" for one that is not known. */
    public String code() {
        return code;
    }

    /** The little words that nearly every sentence has; they tell languages apart. */
    public Set<String> common() {
        return list("common");
    }

    /** Titles that could stand on any site: "home". */
    public Set<String> generic() {
        return list("generic");
    }

    /** Link texts that say nothing of where they lead: "click here". */
    public Set<String> emptyLinkTexts() {
        return list("links");
    }

    /** Words that questions begin with. */
    public Set<String> questions() {
        return list("questions");
    }

    /** Words of people who want to know something. */
    public Set<String> learning() {
        return list("learning");
    }

    /** Words of people who choose between several. */
    public Set<String> comparing() {
        return list("comparing");
    }

    /** Words of people who want to buy, book or hire. */
    public Set<String> acting() {
        return list("acting");
    }

    /** Verbs that call somebody to do something: "book", "compare". */
    public Set<String> calls() {
        return list("calls");
    }

    /** Phrases of people who want something where they are. */
    public Set<String> nearby() {
        return list("nearby");
    }

    /** Words and phrases that promise something: "best", "free", "money back". */
    public Set<String> claims() {
        return list("claims");
    }

    /** Words that mean numbers, with their digits: "three" is "3". */
    public Map<String, String> numbers() {
        return Collections.unmodifiableMap(numbers);
    }

    /** Words that the name of a place follows: "in", "near". */
    public Set<String> beforePlaces() {
        return list("where");
    }

    /** Words that stay small within headlines in title case. */
    public Set<String> small() {
        return list("small");
    }

    /** Whether nouns begin with a capital wherever they stand, so that no word may be made small. */
    public boolean hasCapitalNouns() {
        return list("nouns").contains("capitals");
    }

    /** A phrase as the last part of an address: small letters, hyphens, and letters with marks as the language writes them without. */
    public String slug(String phrase) {
        String text = phrase.toLowerCase(Locale.ROOT);
        for (Map.Entry<String, String> pair : inSlugs.entrySet()) text = text.replace(pair.getKey(), pair.getValue());
        return Normalizer.normalize(text, Normalizer.Form.NFKD)
                .replaceAll("\\p{M}+|['’]", "")
                .replaceAll("[^\\p{L}\\p{N}]+", "-")
                .replaceAll("^-|-$", "");
    }
}
