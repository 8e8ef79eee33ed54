package lucidsweep.server.aim.demand;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import lucidsweep.core.demand.DemandRows;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.MovedSites;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.text.Country;
import lucidsweep.server.gather.imports.Reports;

/** The demand of a property in memory, its addresses, queries and countries by number. */
final class ReadDemand {

    private static final String NO_COUNTRY = "not named";

    private final MovedSites moved;
    private final Object version = new Object();
    private final DemandRows rows = new DemandRows();
    private final Numbered addresses = new Numbered();
    private final Numbered queries = new Numbered();
    private final Numbered countries = new Numbered();
    private final Map<String, Integer> normal = new HashMap<>();
    private final Map<Integer, Long> items = new HashMap<>();
    private final Map<Long, Integer> numbers = new HashMap<>();
    private Brand knownBrand;
    private BitSet ofBrand;
    private Map<String, BitSet> byKey;
    private Words languageOfKeys;

    private record Brand(Set<String> names, String language) {}

    /** @param moved what is reported of their old addresses counts for those of today */
    ReadDemand(MovedSites moved) {
        this.moved = moved;
    }

    /** Texts by number. */
    private static final class Numbered {
        private final List<String> texts = new ArrayList<>();
        private final Map<String, Integer> numbers = new HashMap<>();

        private int of(String text) {
            return numbers.computeIfAbsent(text, any -> {
                texts.add(text);
                return texts.size() - 1;
            });
        }
    }

    void add(Reports.Demand row, int today) {
        ReportedDays days = ReportedDays.of(row, today);
        rows.add(
                row.address().isEmpty() ? DemandRows.NONE : address(row.address()),
                row.query().isEmpty() ? DemandRows.NONE : queries.of(row.query()),
                countries.of(row.country().isBlank() ? NO_COUNTRY : Country.code(row.country())),
                days.first(),
                days.last(),
                row.clicks(),
                row.impressions(),
                row.position() == null ? 0 : row.position());
    }

    private int address(String text) {
        return normal.computeIfAbsent(
                text, any -> addresses.of(moved.now(PageAddress.text(text).orElse(text))));
    }

    void item(String address, long id) {
        Integer number = addresses.numbers.get(PageAddress.text(address).orElse(address));
        if (number == null) return;
        items.put(number, id);
        numbers.put(id, number);
    }

    /** The sites that moved since they were reported of. */
    MovedSites moved() {
        return moved;
    }

    /** Another object for each time that demand was read, which can be kept without keeping the demand. */
    Object version() {
        return version;
    }

    DemandRows rows() {
        return rows;
    }

    String address(int number) {
        return addresses.texts.get(number);
    }

    String query(int number) {
        return queries.texts.get(number);
    }

    List<String> countries() {
        return countries.texts;
    }

    int addressCount() {
        return addresses.texts.size();
    }

    int queryCount() {
        return queries.texts.size();
    }

    String country(int number) {
        return countries.texts.get(number);
    }

    /** The item of an address; null where it is none. */
    Long item(int address) {
        return items.get(address);
    }

    /** The number of an item's address; empty where nothing is reported of it. */
    OptionalInt numberOfItem(long id) {
        return optional(numbers.get(id));
    }

    /** The number of a query as it is written; empty where nothing is reported of it. */
    OptionalInt numberOfQuery(String text) {
        return optional(queries.numbers.get(text));
    }

    /** The queries that say the same as a phrase. */
    synchronized BitSet queriesLike(String phrase, Words language) {
        if (byKey == null || !language.equals(languageOfKeys)) {
            byKey = new HashMap<>();
            languageOfKeys = language;
            for (int i = 0; i < queries.texts.size(); i++) {
                String key = Phrase.of(queries.texts.get(i), language).key();
                byKey.computeIfAbsent(key, any -> new BitSet()).set(i);
            }
        }
        BitSet found = byKey.get(Phrase.of(phrase, language).key());
        return found == null ? new BitSet() : (BitSet) found.clone();
    }

    private static OptionalInt optional(Integer number) {
        return number == null ? OptionalInt.empty() : OptionalInt.of(number);
    }

    /** The number of a country; one that no row has where it is not known. */
    int numberOfCountry(String text) {
        return countries.numbers.getOrDefault(text, Integer.MAX_VALUE);
    }

    /** The queries that name the brand; looked for once. */
    synchronized BitSet ofBrand(Set<String> names, String language) {
        Brand brand = new Brand(names, language);
        if (brand.equals(knownBrand)) return ofBrand;
        BrandNames known = new BrandNames(names, Words.in(language));
        BitSet found = new BitSet();
        for (int i = 0; i < queries.texts.size(); i++) if (known.isIn(queries.texts.get(i))) found.set(i);
        knownBrand = brand;
        ofBrand = found;
        return found;
    }
}
