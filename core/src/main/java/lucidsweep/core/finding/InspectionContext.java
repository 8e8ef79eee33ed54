package lucidsweep.core.finding;

import java.util.List;
import java.util.Set;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.CommonPart;

/**
 * What an item is held against.
 *
 * @param commonParts the beginnings and endings that many of the property's titles share
 * @param brandKeys the client's brand words, as {@code TextKey.key} gives them
 * @param places the places that the client serves
 * @param tags what is known of the property's tags
 * @param year the year in which the texts were captured
 */
public record InspectionContext(
        Standard standard,
        List<CommonPart> commonParts,
        Set<String> brandKeys,
        PlacesNamed places,
        TagUse tags,
        int year) {}
