package lucidsweep.core.keyword;

import java.util.Optional;

/**
 * The language of a page: as its markup says; where it says nothing, as its words tell; else that of its site. Not for use by
 * several threads.
 */
public final class PageLanguage {

    private final String copy;
    private final Language language;
    private final boolean known;
    private Optional<Language> told;

    /**
     * Settles it.
     *
     * @param said by the markup: "de-AT"; "" where it says nothing
     * @param copy the first words of the page's own text; "" where they are not known
     * @param site of the site, where neither tells
     */
    public PageLanguage(String said, String copy, String site) {
        this.copy = copy;
        language = said.isEmpty() ? told().orElseGet(() -> Language.of(site)) : Language.of(said);
        known = !said.isEmpty() || told().isPresent();
    }

    private Optional<Language> told() {
        if (told == null) told = LanguageGuess.of(copy);
        return told;
    }

    public Language language() {
        return language;
    }

    /** Whether its markup or its words tell it. */
    public boolean isKnown() {
        return known;
    }

    /** Whether a page is in another language after all: its words say so, whatever its markup does. */
    public boolean isRather(Language other) {
        return told().filter(language -> language == other).isPresent();
    }
}
