package lucidsweep.core.text;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;

/** Countries as files name them: by a code of two or three letters (ISO 3166), or by the English name. */
public final class Country {

    private static final Map<String, String> CODES = codes();

    private Country() {}

    private static Map<String, String> codes() {
        Map<String, String> codes = new HashMap<>();
        for (String code : Locale.getISOCountries()) {
            Locale country = new Locale.Builder().setRegion(code).build();
            String plain = code.toLowerCase(Locale.ROOT);
            codes.put(plain, plain);
            codes.put(country.getISO3Country().toLowerCase(Locale.ROOT), plain);
            codes.put(country.getDisplayCountry(Locale.ENGLISH).toLowerCase(Locale.ROOT), plain);
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
}
