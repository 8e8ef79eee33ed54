package lucidsweep.core.compose;

import java.util.ArrayList;
import java.util.List;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Graphemes;

/**
 * A page that phrases without a home could get: one for a topic, with texts that fit the standard.
 *
 * @param slug the last part of its address
 */
public record PageProposal(String slug, String title, String description) {

    private static final int LONGEST_SLUG = 60;

    /**
     * Proposes one.
     *
     * @param phrases of the topic, the strongest first; at least one
     * @param brand what titles end in; "" for nothing
     * @param names what keeps its letter case
     * @param language how its letters are written in addresses
     */
    public static PageProposal of(
            List<String> phrases, String brand, Names names, Language language, Standard standard) {
        String lead = LetterCase.SENTENCE.apply(phrases.get(0), names, language);
        List<String> others = phrases.subList(1, phrases.size()).stream()
                .map(phrase -> LetterCase.LOWER.apply(phrase, names, language))
                .toList();
        return new PageProposal(
                slug(phrases.get(0), language),
                title(lead, brand, standard.title()),
                description(lead, others, brand, standard.description()));
    }

    private static String slug(String phrase, Language language) {
        String plain = language.slug(phrase);
        if (plain.length() <= LONGEST_SLUG) return plain;
        int end = plain.lastIndexOf('-', LONGEST_SLUG);
        return plain.substring(0, end > 0 ? end : LONGEST_SLUG);
    }

    private static String title(String lead, String brand, Standard.TextLimits limits) {
        String whole = brand.isEmpty() ? lead : lead + " – " + brand;
        return fits(whole, limits) ? whole : shortened(lead, limits);
    }

    /** As many of the topic's phrases as fit, in a sentence. */
    private static String description(String lead, List<String> others, String brand, Standard.TextLimits limits) {
        String ending = brand.isEmpty() ? "." : " at " + brand + ".";
        String best = fits(lead + ending, limits) ? lead + ending : shortened(lead, limits);
        List<String> taken = new ArrayList<>();
        for (String other : others) {
            taken.add(other);
            String longer = lead + ": " + listed(taken) + ending;
            if (fits(longer, limits)) best = longer;
            else taken.remove(taken.size() - 1);
        }
        return best;
    }

    private static String listed(List<String> phrases) {
        int last = phrases.size() - 1;
        return last == 0 ? phrases.get(0) : String.join(", ", phrases.subList(0, last)) + " and " + phrases.get(last);
    }

    private static String shortened(String text, Standard.TextLimits limits) {
        String shorter = text;
        while (!fits(shorter, limits) && shorter.indexOf(' ') > 0) {
            shorter = Trim.end(shorter.substring(0, shorter.lastIndexOf(' ')));
        }
        return shorter;
    }

    private static boolean fits(String text, Standard.TextLimits limits) {
        return limits.fits(text, Graphemes.count(text));
    }
}
