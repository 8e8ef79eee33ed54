package lucidsweep.server.intake;

import com.carrotsearch.hppc.LongLongHashMap;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.column.Meaning;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.keyword.Volume;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.FormulaGuard;
import lucidsweep.core.text.TextKey;
import lucidsweep.core.text.WrittenDate;
import lucidsweep.core.text.WrittenNumber;
import lucidsweep.server.table.RowReader;
import lucidsweep.server.table.TableFile;

/** Reads the rows of a table as rows of a kind; what cannot be read is named with its line and reason, and the rest is read. */
public final class Intake {

    private static final Set<String> NOTHING = Set.of("", "-", "–", "—", "n/a", "na", "null", "none");
    private static final int LONGEST_NOTHING = 4;
    private static final int MAX_DATES = 10_000;
    private static final int LONGEST_PHRASE = 200;
    private static final int LONGEST_ADDRESS = 2_000;
    private static final int LONGEST_ROW = 200_000;

    private final RowKind kind;
    private final Mapping mapping;
    private final Map<Meaning, Integer> places = new EnumMap<>(Meaning.class);
    private final List<Integer> months;
    private final WrittenDate.Order order;
    private final Map<String, String> dates = new HashMap<>();
    private final Map<String, String> ends = new HashMap<>();
    private ColumnNumbers numbers;
    private final LongLongHashMap seen = new LongLongHashMap();

    /** Receives the rows. */
    public interface Receiver {
        /** A row; its cells are as the file has them. */
        void row(IntakeRow row, List<String> cells);

        void unreadable(long line, String reason);

        /** A line that is no row, and what it is: a total, a note, the names once more. */
        default void leftOut(long line, String what) {}
    }

    /** A row that cannot be used; the message says why. */
    private static final class Unusable extends Exception {
        private static final long serialVersionUID = 1L;

        Unusable(String why) {
            super(why, null, false, false);
        }
    }

    /** Prepares a reading; a mapping that lacks something is refused in words. */
    public Intake(RowKind kind, Mapping mapping) {
        mapping.check(kind);
        this.kind = kind;
        this.mapping = mapping;
        for (int i = 0; i < mapping.meanings().size(); i++) {
            if (mapping.meanings().get(i) != Meaning.UNUSED)
                places.putIfAbsent(mapping.meanings().get(i), i);
        }
        months = mapping.months();
        order = mapping.dates() == null ? WrittenDate.Order.DAY_FIRST : mapping.dates();
    }

    /** Reads a table once. */
    public void read(TableFile table, Receiver receiver) {
        numbers = ColumnNumbers.of(mapping, table);
        table.read(new RowReader() {
            private boolean headerRead = !mapping.header();

            @Override
            public void row(long line, List<String> cells) {
                if (!headerRead) {
                    headerRead = true;
                    return;
                }
                try {
                    receiver.row(parsed(line, cells), cells);
                } catch (Unusable e) {
                    receiver.unreadable(line, e.getMessage());
                }
            }

            @Override
            public void unreadable(long line, String reason) {
                receiver.unreadable(line, reason);
            }

            @Override
            public void leftOut(long line, String what) {
                receiver.leftOut(line, what);
            }
        });
    }

    private IntakeRow parsed(long line, List<String> cells) throws Unusable {
        checkLength(cells);
        Map<Meaning, String> values = new EnumMap<>(Meaning.class);
        for (Map.Entry<Meaning, Integer> place : places.entrySet()) {
            if (place.getKey() == Meaning.MONTH) continue;
            String value = value(place.getKey(), cells.get(place.getValue()).strip(), place.getValue());
            if (!value.isEmpty()) values.put(place.getKey(), value);
        }
        List<String> monthly = new ArrayList<>(months.size());
        for (int at : months) monthly.add(value(Meaning.MONTH, cells.get(at).strip(), at));
        complete(values);
        if (values.containsKey(Meaning.FROM) && !values.containsKey(Meaning.TO)) {
            // Without an end, a period that is given as a month ends with it, any other on its first day.
            values.put(Meaning.TO, end(cells.get(places.get(Meaning.FROM)), values.get(Meaning.FROM)));
        }
        long key = identity(values);
        int place = seen.indexOf(key);
        if (seen.indexExists(place)) {
            throw new Unusable("the same as line " + seen.indexGet(place) + "; the first is kept");
        }
        seen.indexInsert(place, key, line);
        return new IntakeRow(line, values, monthly);
    }

    private String end(String written, String from) {
        String known = ends.get(written);
        if (known != null) return known;
        String end = WrittenDate.month(written).map(WrittenDate::lastDay).orElse(from);
        if (ends.size() < MAX_DATES) ends.put(written, end);
        return end;
    }

    private static void checkLength(List<String> cells) throws Unusable {
        long length = 0;
        for (String cell : cells) length += cell.length();
        if (length <= LONGEST_ROW) return;
        throw new Unusable("the row has " + length + " characters, at most " + LONGEST_ROW
                + " are expected; is a quote never closed?");
    }

    private String value(Meaning meaning, String text, int column) throws Unusable {
        if (meaning == Meaning.CTR) return isNothing(text) ? "" : numbers.share(column, text);
        return switch (meaning.type()) {
            case TEXT -> FormulaGuard.unguarded(text);
            case TAGS -> TagList.join(TagList.of(FormulaGuard.unguarded(text)));
            case COUNT -> count(meaning, text, column);
            case DECIMAL -> decimal(meaning, text, column);
            case DATE -> date(meaning, text);
        };
    }

    private static boolean isNothing(String text) {
        if (!text.isEmpty() && Character.isDigit(text.charAt(0))) return false;
        return text.length() <= LONGEST_NOTHING && NOTHING.contains(text.toLowerCase(Locale.ROOT));
    }

    private String count(Meaning meaning, String text, int column) throws Unusable {
        if (isNothing(text)) return "";
        OptionalLong count = Volume.parse(numbers.plain(column, text));
        if (count.isEmpty()) throw new Unusable(meaning.code() + ": expected a count, got “" + clip(text) + "”");
        return String.valueOf(count.getAsLong());
    }

    private String decimal(Meaning meaning, String text, int column) throws Unusable {
        if (isNothing(text)) return "";
        return WrittenNumber.plain(numbers.plain(column, text))
                .orElseThrow(() -> new Unusable(meaning.code() + ": expected a number, got “" + clip(text) + "”"));
    }

    /** Files name few dates many times. */
    private String date(Meaning meaning, String text) throws Unusable {
        if (isNothing(text)) return "";
        String key = meaning == Meaning.TO ? "to " + text : text;
        String known = dates.get(key);
        if (known != null) return known;
        String read = readDate(meaning, text);
        if (dates.size() < MAX_DATES) dates.put(key, read);
        return read;
    }

    private String readDate(Meaning meaning, String text) throws Unusable {
        if (meaning == Meaning.FROM || meaning == Meaning.TO) {
            String month = WrittenDate.month(text).orElse(null);
            if (month != null) return meaning == Meaning.FROM ? month + "-01" : WrittenDate.lastDay(month);
        }
        return WrittenDate.iso(text, order).orElseThrow(() -> {
            boolean other = WrittenDate.onlyOrder(text).isPresent();
            String why = other
                    ? "“" + clip(text) + "” is no date where the "
                            + (order == WrittenDate.Order.DAY_FIRST ? "day" : "month") + " comes first"
                    : "expected a date, got “" + clip(text) + "”";
            return new Unusable(meaning.code() + ": " + why);
        });
    }

    private void complete(Map<Meaning, String> values) throws Unusable {
        for (List<Meaning> needed : kind.needed()) {
            if (!hasAny(values, needed)) {
                String none =
                        needed.stream().map(Meaning::code).collect(Collectors.joining(", no ", "there is no ", ""));
                throw new Unusable(none.replaceFirst(", no (\\w+)$", " and no $1"));
            }
        }
        if (kind == RowKind.DEMAND) completeDemand(values);
        String phrase = values.getOrDefault(Meaning.KEYWORD, values.get(Meaning.QUERY));
        if (phrase != null) checkPhrase(phrase);
        String address = values.get(Meaning.ADDRESS);
        if (address != null) values.put(Meaning.ADDRESS, address(address));
    }

    private static boolean hasAny(Map<Meaning, String> values, List<Meaning> meanings) {
        for (Meaning meaning : meanings) if (values.containsKey(meaning)) return true;
        return false;
    }

    /** Clicks that are not named follow from impressions and CTR. */
    private void completeDemand(Map<Meaning, String> values) throws Unusable {
        if (places.containsKey(Meaning.IMPRESSIONS) && !values.containsKey(Meaning.IMPRESSIONS)) {
            throw new Unusable("there is no impressions");
        }
        String ctr = values.remove(Meaning.CTR);
        if (ctr == null || places.containsKey(Meaning.CLICKS) || !values.containsKey(Meaning.IMPRESSIONS)) return;
        double clicks = Double.parseDouble(ctr) * Long.parseLong(values.get(Meaning.IMPRESSIONS));
        values.put(Meaning.CLICKS, String.valueOf(Math.round(clicks)));
    }

    private void checkPhrase(String phrase) throws Unusable {
        if (phrase.length() > LONGEST_PHRASE) {
            throw new Unusable(
                    "the phrase has " + phrase.length() + " characters, at most " + LONGEST_PHRASE + " are expected");
        }
        if (kind == RowKind.KEYWORDS && phrase.contains("://")) {
            throw new Unusable("this is an address, not a phrase: " + phrase);
        }
    }

    /** A page's address in its normal form; others may be ids, or places in an archive. */
    private String address(String text) throws Unusable {
        if (text.length() > LONGEST_ADDRESS) {
            throw new Unusable(
                    "the address has " + text.length() + " characters, at most " + LONGEST_ADDRESS + " are expected");
        }
        String normal = PageAddress.text(text).orElse(null);
        if (normal != null) return normal;
        boolean place = text.startsWith("/") || text.matches("\\S+\\.x?html?");
        if (kind == RowKind.PAGES && !place) {
            throw new Unusable("expected an address such as https://example.com/, got “" + clip(text) + "”");
        }
        return text;
    }

    private long identity(Map<Meaning, String> values) throws Unusable {
        if (kind.isItem()) {
            for (Meaning meaning : kind.identity()) {
                if (values.containsKey(meaning)) return TextKey.exactHash(values.get(meaning));
            }
            throw new IllegalStateException("a row without what tells it from others was read");
        }
        StringBuilder all = new StringBuilder();
        for (Meaning meaning : kind.columns()) {
            boolean tells = meaning.type() == Meaning.Type.TEXT || meaning.type() == Meaning.Type.DATE;
            if (kind == RowKind.KEYWORDS && meaning == Meaning.COMPETITION) continue;
            if (kind == RowKind.RESULTS && (meaning == Meaning.TITLE || meaning == Meaning.DESCRIPTION)) continue;
            boolean rank = kind == RowKind.RESULTS && meaning == Meaning.POSITION;
            if (!tells && !rank) continue;
            String value = values.getOrDefault(meaning, "");
            boolean phrase = meaning == Meaning.KEYWORD || meaning == Meaning.QUERY;
            all.append(phrase ? TextKey.key(value) : value).append('\n');
        }
        return TextKey.exactHash(all.toString());
    }

    private static String clip(String text) {
        return text.length() <= 60 ? text : text.substring(0, 60) + "…";
    }
}
