package lucidsweep.server.backup;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The key of something due, which may name an item or a release by its id, after those have moved. */
final class MovedDueKey {

    private static final Pattern NAMES_ONE = Pattern.compile("(young|release|held-back):(\\d{1,18})");

    private MovedDueKey() {}

    static String of(String key, MovedIds ids) {
        Matcher named = NAMES_ONE.matcher(key);
        if (!named.matches()) return key;
        long id = Long.parseLong(named.group(2));
        Long moved = named.group(1).equals("young") ? ids.item(id) : ids.handover(id);
        return moved == null ? key : named.group(1) + ":" + moved;
    }
}
