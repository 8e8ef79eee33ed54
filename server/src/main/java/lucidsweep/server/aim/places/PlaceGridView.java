package lucidsweep.server.aim.places;

import jakarta.annotation.Nullable;
import java.util.List;

/**
 * Every service with every place of the client.
 *
 * @param services as they were chosen; those that the keywords speak of where none were
 * @param chosen whether a person chose them
 * @param places of the client
 * @param cells service by service, each with the places in their order
 */
public record PlaceGridView(List<String> services, boolean chosen, List<String> places, List<GridCell> cells) {

    /**
     * A combination.
     *
     * @param phrase how it is searched; else as it would be written
     * @param keywords how many keywords of the list are this combination
     * @param volume their searches a month; null where not known
     * @param itemId the item that serves it; null where none does
     * @param aimed whether that item aims at it; else it only holds its words where they count
     */
    public record GridCell(
            String service,
            String place,
            String phrase,
            int keywords,
            @Nullable Long volume,
            @Nullable Long itemId,
            @Nullable String address,
            boolean aimed) {}
}
