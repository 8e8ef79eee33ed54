package lucidsweep.server.aim;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.keyword.Decided;
import lucidsweep.core.keyword.ItemIndex;
import lucidsweep.core.keyword.ItemTexts;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Target;
import lucidsweep.core.keyword.TargetFinder;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.SweepEnded;
import lucidsweep.server.item.ItemDetail;
import lucidsweep.server.item.Items;
import lucidsweep.server.item.Packed;
import lucidsweep.server.item.Selection;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Refusal;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Keywords and targets; what a person decided stays through every run. */
@Service
public class Aims {

    private static final Set<String> SORTS = Set.of("volume", "phrase", "address");

    private final AimMapper mapper;
    private final Clients clients;
    private final Items items;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final ApplicationEventPublisher publisher;

    Aims(
            AimMapper mapper,
            Clients clients,
            Items items,
            TransactionTemplate transaction,
            JsonMapper json,
            ApplicationEventPublisher publisher) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.transaction = transaction;
        this.json = json;
        this.publisher = publisher;
    }

    /**
     * What a list of keywords brought.
     *
     * @param known how many were there already; their figures were brought up to date
     */
    public record Added(int added, int known, List<KeywordList.Remark> unreadable, int aimed) {}

    /** Adds a list of keywords and works out the targets anew. */
    public Added add(long propertyId, TableFile table) {
        KeywordList list = KeywordList.read(table);
        if (list.lines().isEmpty()) {
            String why = list.unreadable().isEmpty()
                    ? ""
                    : "; line " + list.unreadable().get(0).line() + ": "
                            + list.unreadable().get(0).reason();
            throw Refusal.badInput("no keyword could be read from it" + why);
        }
        Words words = Words.in(clients.property(propertyId).language());
        int[] counts = new int[2];
        transaction.executeWithoutResult(status -> {
            for (KeywordList.Line line : list.lines()) {
                String key = Phrase.of(line.phrase(), words).key();
                Long known = mapper.find(propertyId, key);
                if (known == null) mapper.insert(propertyId, line.phrase(), key, line.volume(), line.competition());
                else mapper.update(known, line.volume(), line.competition());
                counts[known == null ? 0 : 1]++;
            }
        });
        return new Added(counts[0], counts[1], list.unreadable(), workOut(propertyId));
    }

    Page<KeywordRow> rows(
            long propertyId, String q, String home, String sort, boolean descending, int from, int count) {
        clients.property(propertyId);
        if (!SORTS.contains(sort)) throw Refusal.badInput("keywords cannot be sorted by \"" + sort + "\"");
        String like = q == null || q.isBlank() ? null : "%" + q.replaceAll("([\\\\%_])", "\\\\$1") + "%";
        return new Page<>(
                mapper.count(propertyId, like, home),
                mapper.rows(propertyId, like, home, sort, descending, from, Math.min(count, 1_000)));
    }

    public long keywordCount(long propertyId) {
        return mapper.count(propertyId, null, null);
    }

    void remove(long propertyId, List<Long> keywordIds) {
        transaction.executeWithoutResult(status -> {
            for (long id : keywordIds) {
                mapper.deleteTargetsOf(id);
                mapper.delete(id);
            }
        });
        workOut(propertyId);
    }

    /** Sets the target of items by hand; null clears it, and it stays clear. */
    int set(long propertyId, Selection selection, Long keywordId) {
        long[] ids = selection.resolve(propertyId, items);
        if (keywordId != null && mapper.keywords(propertyId).stream().noneMatch(k -> k.id() == keywordId)) {
            throw Refusal.notFound("there is no keyword " + keywordId + " in this property");
        }
        transaction.executeWithoutResult(status -> {
            if (keywordId != null) mapper.deleteWorkedOutOf(keywordId);
            String reason = keywordId == null ? "cleared by hand" : "set by hand";
            for (long id : ids) mapper.setTarget(id, propertyId, keywordId, true, 0, reason);
        });
        workOut(propertyId);
        return ids.length;
    }

    /** Lets the targets of items be worked out again. */
    int free(long propertyId, Selection selection) {
        long[] ids = selection.resolve(propertyId, items);
        transaction.executeWithoutResult(status -> {
            for (long id : ids) mapper.deleteTarget(id);
        });
        workOut(propertyId);
        return ids.length;
    }

    @EventListener
    void sweepEnded(SweepEnded sweep) {
        workOut(sweep.propertyId());
    }

    /** Works out the targets of all indexable items, but for those set by hand; returns how many have one. */
    public int workOut(long propertyId) {
        Property property = clients.property(propertyId);
        Words words = Words.in(property.language());
        List<Keyword> keywords = mapper.keywords(propertyId);
        ItemIndex index = new ItemIndex(words);
        List<Phrase> phrases = new ArrayList<>();
        Map<Long, Integer> places = new HashMap<>();
        for (Keyword keyword : keywords) {
            places.put(keyword.id(), places.size());
            phrases.add(Phrase.of(keyword.phrase(), words));
            index.learn(phrases.get(phrases.size() - 1));
        }
        Decided decided = new Decided();
        int decidedHomes = 0;
        for (AimMapper.ByHand fixed : mapper.byHand(propertyId)) {
            if (fixed.keywordId() == null) decided.clear(fixed.itemId());
            else decided.home(fixed.itemId(), places.get(fixed.keywordId()), Target.Role.PRIMARY);
            if (fixed.keywordId() != null) decidedHomes++;
        }
        if (!keywords.isEmpty()) {
            items.forEachDetail(
                    propertyId,
                    chunk -> chunk.stream()
                            .filter(item -> item.obstacle() == null)
                            .forEach(item -> index.put(item.id(), texts(item))));
        }
        TargetFinder finder = new TargetFinder(index);
        for (int i = 0; i < phrases.size(); i++) {
            Long volume = keywords.get(i).volume();
            finder.keyword(phrases.get(i), volume == null ? 0 : volume);
        }
        List<Target> targets = finder.targets(decided).stream()
                .filter(target -> target.role() == Target.Role.PRIMARY)
                .toList();
        transaction.executeWithoutResult(status -> {
            mapper.deleteWorkedOut(propertyId);
            for (Target target : targets) {
                long keywordId = keywords.get(target.keyword()).id();
                mapper.setTarget(target.item(), propertyId, keywordId, false, target.score(), target.reason());
            }
        });
        items.changed(propertyId);
        publisher.publishEvent(new TargetsChanged(propertyId));
        items.changed(propertyId);
        return targets.size() + decidedHomes;
    }

    private ItemTexts texts(ItemDetail item) {
        StringBuilder headings = new StringBuilder();
        if (item.facts() != null) {
            for (JsonNode heading : json.readTree(item.facts()).path("headings")) {
                headings.append(heading.asString()).append(" . ");
            }
        }
        String tags = item.tags() == null ? "" : item.tags().captured();
        return new ItemTexts(
                item.title().captured(),
                item.h1(),
                PageAddress.slugWords(item.address()),
                headings.toString(),
                item.linkTexts() + tags,
                Packed.text(item.copy()) + " " + item.description().captured());
    }
}
