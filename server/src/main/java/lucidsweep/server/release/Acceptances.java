package lucidsweep.server.release;

import com.carrotsearch.hppc.LongLongHashMap;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.annotation.Nullable;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import lucidsweep.core.acceptance.Acceptance;
import lucidsweep.core.acceptance.ShownText;
import lucidsweep.core.acceptance.ShownWording;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.BrandNames;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.TextKey;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.Reports;
import lucidsweep.server.gather.sweep.ResultsChanged;
import lucidsweep.server.gather.sweep.SweepEnded;
import lucidsweep.server.item.draft.FieldId;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.item.table.SetStandards;
import org.springframework.context.event.EventListener;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** Holds the titles and descriptions that are live against what result pages show in their place. */
@Service
public class Acceptances {

    private static final int CHUNK = 500;
    private static final int SHOWN = 500;

    private final LiveMapper mapper;
    private final Reports reports;
    private final Items items;
    private final Clients clients;
    private final SetStandards standards;

    /** A result that was looked at, and the text of ours that it has or replaces. */
    private record Look(Reports.Result result, LiveMapper.LiveText text) {}

    /** Until results or what is live change. */
    private final Cache<Long, List<Look>> kept =
            Caffeine.newBuilder().softValues().build();

    Acceptances(LiveMapper mapper, Reports reports, Items items, Clients clients, SetStandards standards) {
        this.mapper = mapper;
        this.reports = reports;
        this.items = items;
        this.clients = clients;
        this.standards = standards;
    }

    /**
     * What one result page shows in the place of a text of ours.
     *
     * @param looked the day on which somebody looked, as "2026-11-25"
     */
    record ShownResult(
            long itemId,
            String address,
            Field field,
            String query,
            double position,
            String ours,
            String shown,
            ShownWording wording,
            String looked) {}

    /**
     * What result pages make of a property's texts.
     *
     * @param lastLooked the last day on which somebody looked; "" where no result list has any of the texts
     */
    public record AcceptanceView(String lastLooked, Acceptance acceptance) {}

    /** @param handoverId only the texts of this handover; null for all */
    public AcceptanceView of(long propertyId, @Nullable Long handoverId) {
        Property property = clients.property(propertyId);
        Words language = Words.in(property.language());
        BrandNames brand = new BrandNames(clients.client(property.clientId()).brandNames(), language);
        List<ShownResult> results = results(propertyId, handoverId);
        return new AcceptanceView(
                results.stream()
                        .map(ShownResult::looked)
                        .max(Comparator.naturalOrder())
                        .orElse(""),
                Acceptance.of(texts(property, results), language, brand));
    }

    /** The first results of the last looks that show our texts so; the best positions first. */
    List<ShownResult> shown(long propertyId, @Nullable Long handoverId, ShownWording wording) {
        List<ShownResult> results = results(propertyId, handoverId);
        Map<String, String> last = lastLooks(results);
        return results.stream()
                .filter(result -> result.wording == wording)
                .filter(result -> result.looked.equals(last.get(result.query)))
                .sorted(Comparator.comparingDouble(ShownResult::position)
                        .thenComparing(ShownResult::query)
                        .thenComparing(ShownResult::field))
                .limit(SHOWN)
                .toList();
    }

    private static Map<String, String> lastLooks(List<ShownResult> results) {
        Map<String, String> last = new HashMap<>();
        for (ShownResult result : results)
            last.merge(result.query, result.looked, (one, other) -> one.compareTo(other) > 0 ? one : other);
        return last;
    }

    private List<ShownText> texts(Property property, List<ShownResult> results) {
        long[] ids = results.stream()
                .mapToLong(ShownResult::itemId)
                .distinct()
                .sorted()
                .toArray();
        if (ids.length == 0) return List.of();
        Map<String, String> last = lastLooks(results);
        Map<Long, String> sections = items.sections(
                results.stream().map(ShownResult::itemId).distinct().toList());
        Map<String, Long> itemsWith = new HashMap<>();
        results.stream()
                .map(result -> FieldId.of(result.itemId, result.field) + "\n" + result.ours)
                .distinct()
                .forEach(text -> itemsWith.merge(text.substring(text.indexOf('\n')), 1L, Long::sum));
        var held = standards.of(property).held(ids);
        return results.stream()
                .map(result -> {
                    Standard.TextLimits limits = held.standard(result.itemId).limits(result.field);
                    return new ShownText(
                            result.field,
                            result.ours,
                            result.wording,
                            result.query,
                            sections.getOrDefault(result.itemId, ""),
                            limits.desktop().width(result.ours),
                            limits.desktop().limitPx(),
                            itemsWith.get("\n" + result.ours).intValue(),
                            result.looked.substring(0, 7),
                            result.looked.equals(last.get(result.query)));
                })
                .toList();
    }

    /** For items whose old text a result page still showed after the new one was live: the last day on which one did. */
    public Map<Long, LocalDate> lastShownOld(long propertyId) {
        Map<Long, LocalDate> last = new HashMap<>();
        forEachLook(propertyId, (result, text) -> {
            if (isOld(text, shown(result, text)))
                last.merge(
                        text.itemId(),
                        LocalDate.parse(result.looked()),
                        (one, other) -> one.isAfter(other) ? one : other);
        });
        return last;
    }

    /** Whether the text from before is still shown: the result page has not seen the new one yet. */
    private static boolean isOld(LiveMapper.LiveText text, String shown) {
        return !text.before().isBlank()
                && !shown.isBlank()
                && ShownWording.of(text.text(), shown) == ShownWording.ITS_OWN
                && ShownWording.of(text.before(), shown) != ShownWording.ITS_OWN;
    }

    /** Every look at a text of ours since it has been live and result pages have seen it. */
    private List<ShownResult> results(long propertyId, @Nullable Long handoverId) {
        List<ShownResult> shown = new ArrayList<>();
        forEachLook(propertyId, (result, text) -> {
            if (handoverId == null || text.handoverId() == handoverId) add(shown, result, text);
        });
        return shown;
    }

    @EventListener
    void resultsChanged(ResultsChanged changed) {
        kept.invalidate(changed.propertyId());
    }

    /** After {@link LiveWatch}, which says by then what is live. */
    @EventListener
    @Order(Ordered.LOWEST_PRECEDENCE)
    void sweepEnded(SweepEnded sweep) {
        kept.invalidate(sweep.propertyId());
    }

    private void forEachLook(long propertyId, BiConsumer<Reports.Result, LiveMapper.LiveText> visit) {
        kept.get(propertyId, this::looks).forEach(look -> visit.accept(look.result, look.text));
    }

    private List<Look> looks(long propertyId) {
        List<Look> looks = new ArrayList<>();
        readLooks(propertyId, (result, text) -> looks.add(new Look(result, text)));
        return looks;
    }

    private void readLooks(long propertyId, BiConsumer<Reports.Result, LiveMapper.LiveText> visit) {
        LongLongHashMap byAddress = new LongLongHashMap();
        items.forEachAddress(propertyId, (address, id) -> byAddress.put(hash(address), id));
        Map<Long, List<Reports.Result>> ofItems = new HashMap<>();
        reports.forEachResult(propertyId, result -> {
            long item = byAddress.getOrDefault(hash(result.address()), 0);
            if (item != 0 && !result.looked().isEmpty())
                ofItems.computeIfAbsent(item, any -> new ArrayList<>()).add(result);
        });
        List<Long> ids = ofItems.keySet().stream().sorted().toList();
        for (int start = 0; start < ids.size(); start += CHUNK) {
            List<Long> some = ids.subList(start, Math.min(ids.size(), start + CHUNK));
            Map<Long, LiveMapper.LiveText> texts = new HashMap<>();
            for (LiveMapper.LiveText text : mapper.liveTexts(propertyId, some.toArray()))
                texts.put(FieldId.of(text.itemId(), text.field()), text);
            for (LiveMapper.LiveText text : texts.values()) {
                ofItems.get(text.itemId()).stream()
                        .filter(result -> isSince(result, text))
                        .forEach(result -> visit.accept(result, text));
            }
        }
    }

    private static long hash(String address) {
        return TextKey.exactHash(PageAddress.text(address).orElse(address));
    }

    private static boolean isSince(Reports.Result result, LiveMapper.LiveText text) {
        return !LocalDate.parse(result.looked()).isBefore(LocalDate.ofInstant(text.since(), ZoneId.systemDefault()));
    }

    private static String shown(Reports.Result result, LiveMapper.LiveText text) {
        return text.field() == Field.TITLE ? result.title() : result.description();
    }

    private static void add(List<ShownResult> all, Reports.Result result, LiveMapper.LiveText text) {
        String shown = shown(result, text);
        if (shown.isBlank() || isOld(text, shown)) return;
        all.add(new ShownResult(
                text.itemId(),
                result.address(),
                text.field(),
                result.query(),
                result.position(),
                text.text(),
                shown,
                ShownWording.of(text.text(), shown),
                result.looked()));
    }
}
