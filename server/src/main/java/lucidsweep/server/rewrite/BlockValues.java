package lucidsweep.server.rewrite;

import lucidsweep.core.compose.ItemSources;
import lucidsweep.core.compose.Source;

/** What is filled into blocks of text, by the names of {@link lucidsweep.core.compose.BlockText#VALUES}. */
final class BlockValues {

    private BlockValues() {}

    /** The value of a name for one item; "" where it has none. */
    static String of(String name, ItemSources item, String address) {
        return switch (name) {
            case "client" -> text(item, Source.Kind.BRAND);
            case "keyword" -> text(item, Source.Kind.KEYWORD);
            case "place" -> text(item, Source.Kind.PLACE);
            case "title" -> text(item, Source.Kind.TITLE);
            case "section" -> text(item, Source.Kind.SECTION);
            case "price" -> text(item, Source.Kind.PRICE);
            case "year" -> text(item, Source.Kind.YEAR);
            case "tag" -> text(item, Source.Kind.TAG);
            case "address" -> address;
            default -> "";
        };
    }

    private static String text(ItemSources item, Source.Kind kind) {
        return item.text(new Source(kind, ""));
    }
}
