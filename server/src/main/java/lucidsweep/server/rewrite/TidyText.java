package lucidsweep.server.rewrite;

import lucidsweep.core.item.Field;
import lucidsweep.core.text.Spaces;
import lucidsweep.server.client.Property;
import lucidsweep.server.client.PropertyKind;

/** A text that was typed or pasted, as it is stored: with single spaces and none at its ends. */
final class TidyText {

    private TidyText() {}

    /** Descriptions of listings and videos have lines; everything else is one. */
    static String of(Property property, Field field, String text) {
        boolean lines = field == Field.DESCRIPTION && property.kind() != PropertyKind.WEBSITE;
        return lines ? Spaces.closedUpInLines(text) : Spaces.closedUp(text);
    }
}
