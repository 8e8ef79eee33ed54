package lucidsweep.core.page;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import lucidsweep.core.text.TextKey;

/**
 * Recognises addresses that a site makes up without end, so that a crawl does not follow them for ever: folders that
 * nest in themselves, session ids, calendars that go on and on, and filters in all their combinations. What it turns
 * away it can name. It judges by what it was shown, so it is shown every address and every page. Not for many threads.
 */
public final class TrapWatch {

    private static final int MAX_REPEATS = 3;
    private static final int MAX_SEGMENTS = 40;
    private static final int LONGEST_CALENDAR = 40;
    private static final int LONGEST_COUNT = 500;
    private static final int SESSION_PATHS = 4;
    private static final int MIN_SESSION_ID = 16;
    private static final int COMBINATIONS = 60;
    private static final int MAX_COMBINATIONS = 2_000;
    private static final int FEW_TITLES = 4;

    /** How many pages of the same shape lie between a page and one of another, each found on the one before. */
    private final Map<Long, Integer> chains = new HashMap<>();

    /** By shape: how many pages in a row led to nothing but more of their shape. */
    private final Map<Long, Integer> barren = new HashMap<>();

    private final Map<String, Session> sessions = new HashMap<>();
    private final Map<Long, Combinations> combinations = new HashMap<>();

    private static final class Session {
        private final Map<Long, Long> valueByPath = new HashMap<>();
        private final Set<Long> changing = new HashSet<>();
    }

    private static final class Combinations {
        private int addresses;
        private int pages;
        private final Set<String> names = new TreeSet<>();
        private final Set<Long> titles = new HashSet<>();
    }

    /**
     * Why a new address is not to be looked at; empty where it is. The same words come for addresses of the same trap.
     *
     * @param foundOn the address of the page that links to it; "" where none does
     */
    public Optional<String> objection(String address, String foundOn) {
        return nesting(address)
                .or(() -> session(address))
                .or(() -> combination(address))
                .or(() -> chain(address, foundOn));
    }

    /**
     * Shows it a page that was read.
     *
     * @param title the page's title
     * @param newShapes whether it led to an address not known before of another shape than its own
     */
    public void read(String address, String title, boolean newShapes) {
        long shape = TextKey.exactHash(AddressShape.of(address));
        if (newShapes) barren.remove(shape);
        else barren.merge(shape, 1, Integer::sum);
        Combinations group = combinations.get(path(address));
        if (group == null || address.indexOf('?') < 0) return;
        group.pages++;
        group.titles.add(TextKey.hash(title));
    }

    private static Optional<String> nesting(String address) {
        int end = address.indexOf('?');
        String[] segments = (end < 0 ? address : address.substring(0, end)).split("/");
        if (segments.length - 3 > MAX_SEGMENTS) return Optional.of("folders that nest: more than " + MAX_SEGMENTS);
        for (int i = 3; i < segments.length; i++) {
            for (int length = 1; i + length * (MAX_REPEATS + 1) <= segments.length; length++) {
                if (!repeats(segments, i, length)) continue;
                String run = String.join("/", java.util.Arrays.copyOfRange(segments, i, i + length));
                return Optional.of("folders that nest: /" + run + "/ again and again");
            }
        }
        return Optional.empty();
    }

    private static boolean repeats(String[] segments, int from, int length) {
        for (int i = from; i < from + length * MAX_REPEATS; i++) {
            if (!segments[i].equals(segments[i + length])) return false;
        }
        return true;
    }

    private Optional<String> session(String address) {
        int from = address.indexOf('?');
        int inPath = address.indexOf(';', address.indexOf("//"));
        if (inPath >= 0 && (from < 0 || inPath < from)) from = inPath;
        if (from < 0) return Optional.empty();
        Optional<String> found = Optional.empty();
        for (String parameter : address.substring(from + 1).split("[&;?]")) {
            int equals = parameter.indexOf('=');
            if (equals < 0 || !isRandom(parameter, equals + 1)) continue;
            String name = parameter.substring(0, equals);
            Session session = sessions.computeIfAbsent(name, any -> new Session());
            long rest = TextKey.exactHash(address.replace(parameter, ""));
            long value = TextKey.exactHash(parameter);
            Long before = session.valueByPath.putIfAbsent(rest, value);
            if (before == null || before == value) continue;
            session.changing.add(rest);
            if (session.changing.size() >= SESSION_PATHS) {
                found = Optional.of("a session id: " + name + " changes from link to link");
            }
        }
        return found;
    }

    /** Long, with digits and letters mixed, as ids of sessions are. */
    private static boolean isRandom(String text, int from) {
        if (text.length() - from < MIN_SESSION_ID) return false;
        int digits = 0;
        for (int i = from; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c >= '0' && c <= '9') digits++;
            else if (!Character.isLetter(c) && c != '-' && c != '_' && c != '.') return false;
        }
        return digits >= 3;
    }

    /** Many combinations of three and more parameters, where the pages say much the same; or far too many whatever they say. */
    private Optional<String> combination(String address) {
        int mark = address.indexOf('?');
        if (mark < 0) return Optional.empty();
        Combinations group = combinations.computeIfAbsent(path(address), any -> new Combinations());
        for (String parameter : address.substring(mark + 1).split("&")) {
            int equals = parameter.indexOf('=');
            if (group.names.size() < 20) group.names.add(equals < 0 ? parameter : parameter.substring(0, equals));
        }
        group.addresses++;
        if (group.names.size() < 3 || group.addresses <= COMBINATIONS) return Optional.empty();
        boolean alike = group.pages >= COMBINATIONS / 2 && group.titles.size() * FEW_TITLES <= group.pages;
        if (!alike && group.addresses <= MAX_COMBINATIONS) return Optional.empty();
        String path = address.substring(address.indexOf('/', address.indexOf("//") + 2), mark);
        return Optional.of("filters in every combination: " + String.join(", ", group.names) + " of " + path);
    }

    private static long path(String address) {
        int mark = address.indexOf('?');
        return TextKey.exactHash(mark < 0 ? address : address.substring(0, mark));
    }

    private Optional<String> chain(String address, String foundOn) {
        if (foundOn.isEmpty()) return Optional.empty();
        String shape = AddressShape.of(address);
        if (!shape.equals(AddressShape.of(foundOn)) || shape.indexOf('#') < 0) return Optional.empty();
        int chain = chains.getOrDefault(TextKey.exactHash(foundOn), 0) + 1;
        chains.put(TextKey.exactHash(address), chain);
        boolean calendar = AddressShape.namesAYear(address);
        int max = calendar ? LONGEST_CALENDAR : LONGEST_COUNT;
        if (chain < max || barren.getOrDefault(TextKey.exactHash(shape), 0) < max / 2) return Optional.empty();
        String path = shape.substring(shape.indexOf('/', shape.indexOf("//") + 2));
        return Optional.of(calendar ? "a calendar without end: " + path : "numbers without end: " + path);
    }
}
