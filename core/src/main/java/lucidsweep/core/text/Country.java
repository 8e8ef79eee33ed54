package lucidsweep.core.text;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Stream;

/** Countries as files name them: by a code of two or three letters (ISO 3166), or by the name in one of eight languages. */
public final class Country {

    private static final List<Locale> LANGUAGES = Stream.of("en", "de", "fr", "es", "it", "nl", "pt", "pl")
            .map(Locale::forLanguageTag)
            .toList();
    private static final Map<String, String> CODES = codes();

    private Country() {}

    private static Map<String, String> codes() {
        Map<String, String> codes = new HashMap<>();
        for (String code : Locale.getISOCountries()) {
            Locale country = new Locale.Builder().setRegion(code).build();
            String plain = code.toLowerCase(Locale.ROOT);
            codes.put(plain, plain);
            codes.put(country.getISO3Country().toLowerCase(Locale.ROOT), plain);
            for (Locale language : LANGUAGES) {
                codes.putIfAbsent(country.getDisplayCountry(language).toLowerCase(Locale.ROOT), plain);
            }
        }
        codes.put("uk", "gb");
        codes.put("usa", "us");
        return codes;
    }

    /**
     * The code of two small letters; a country that nobody knows stays as it was given, in small letters.
     *
     * <pre>{@code code("GBR")   // "gb" }</pre>
     */
    public static String code(String given) {
        String plain = Spaces.closedUp(given).toLowerCase(Locale.ROOT);
        return CODES.getOrDefault(plain, plain);
    }

    /** Whether a text names a country. */
    public static boolean isKnown(String given) {
        return CODES.containsKey(Spaces.closedUp(given).toLowerCase(Locale.ROOT));
    }
}
