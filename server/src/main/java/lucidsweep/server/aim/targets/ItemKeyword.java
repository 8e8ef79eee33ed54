package lucidsweep.server.aim.targets;

import jakarta.annotation.Nullable;
import java.util.List;
import lucidsweep.core.keyword.PhraseMatch;

/**
 * A keyword that an item aims at, and how well its texts serve it.
 *
 * @param role primary or secondary
 * @param volume searches a month; null where not known
 */
public record ItemKeyword(
        long keywordId,
        String phrase,
        @Nullable Long volume,
        String role,
        boolean byHand,
        String reason,
        ServingText title,
        ServingText description,
        ServingText h1) {

    /**
     * How well a text serves it.
     *
     * @param missing its words that the text lacks
     */
    public record ServingText(PhraseMatch.Service service, List<String> missing) {}
}
