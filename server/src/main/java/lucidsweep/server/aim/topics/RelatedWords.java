package lucidsweep.server.aim.topics;

import java.util.List;
import lucidsweep.core.keyword.TellingWords;

/**
 * The words that others use for something.
 *
 * @param pages how many pages were looked at
 * @param ofPages words that they use more than other pages of the property do
 * @param queries how many queries those pages were shown for in the last thirteen weeks
 * @param ofQueries words that these use more than the property's other queries do
 * @param rivals how many results of a list taken in for the same query were looked at
 * @param ofRivals words that their titles and descriptions use
 */
public record RelatedWords(
        int pages,
        List<TellingWords.Telling> ofPages,
        int queries,
        List<TellingWords.Telling> ofQueries,
        int rivals,
        List<TellingWords.Telling> ofRivals) {}
