package lucidsweep.server.aim.keywords;

import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.SearchFigures;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.aim.targets.IdSteps;
import lucidsweep.server.aim.targets.TargetMapper;
import lucidsweep.server.aim.targets.TargetRuns;
import lucidsweep.server.client.Clients;
import lucidsweep.server.database.Columns;
import lucidsweep.server.job.PropertyLine;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** The keywords of properties: added, taken off the list, brought back. */
@Service
public class Keywords {

    private static final int AT_ONCE = 1_000;

    private final KeywordRowMapper mapper;
    private final TargetMapper targets;
    private final FigureStore figures;
    private final Clients clients;
    private final TargetRuns runs;
    private final PropertyLine line;
    private final TransactionTemplate transaction;

    Keywords(
            KeywordRowMapper mapper,
            TargetMapper targets,
            FigureStore figures,
            Clients clients,
            TargetRuns runs,
            PropertyLine line,
            TransactionTemplate transaction) {
        this.mapper = mapper;
        this.targets = targets;
        this.figures = figures;
        this.clients = clients;
        this.runs = runs;
        this.line = line;
        this.transaction = transaction;
    }

    /**
     * What a list of keywords brought.
     *
     * @param known how many were there already; their figures were brought up to date
     * @param aimed how many items aim at a keyword now; null where that is still being worked out
     * @param jobId of the job that works it out
     */
    public record Added(
            int added,
            int known,
            List<KeywordList.Remark> unreadable,
            List<KeywordList.Remark> notes,
            @Nullable Integer aimed,
            long jobId) {}

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
        Set<String> added = new LinkedHashSet<>();
        change(propertyId, () -> {
            Map<String, List<SearchFigures>> figures = new LinkedHashMap<>();
            Map<String, String> phrases = new HashMap<>();
            for (KeywordList.Line line : list.lines()) {
                String key = Phrase.of(line.phrase(), words).key();
                figures.computeIfAbsent(key, any -> new ArrayList<>()).add(line.figures());
                phrases.putIfAbsent(key, line.phrase());
            }
            Map<String, Long> ids = putOnTheList(propertyId, phrases, figures.keySet(), added);
            Map<Long, List<SearchFigures>> byId = new LinkedHashMap<>();
            figures.forEach((key, some) -> byId.put(ids.get(key), some));
            this.figures.update(propertyId, byId);
            runs.due(propertyId);
        });
        TargetRuns.Begun begun = runs.begin(propertyId);
        return new Added(
                added.size(),
                list.lines().size() - added.size(),
                list.unreadable(),
                list.notes(),
                begun.aimed(),
                begun.job());
    }

    /** Makes keywords of phrases that are not on the list and brings back those that were removed; returns all ids by key. */
    private Map<String, Long> putOnTheList(
            long propertyId, Map<String, String> phrases, Set<String> wanted, Set<String> added) {
        Map<String, Long> ids = ids(propertyId);
        wanted.stream().filter(key -> !ids.containsKey(key)).forEach(added::add);
        List<KeywordRowMapper.NewRow> rows = added.stream()
                .map(key -> new KeywordRowMapper.NewRow(propertyId, phrases.get(key), key))
                .toList();
        for (int start = 0; start < rows.size(); start += AT_ONCE) {
            mapper.insertAll(Columns.of(rows.subList(start, Math.min(rows.size(), start + AT_ONCE))));
        }
        List<Long> known =
                wanted.stream().map(ids::get).filter(id -> id != null).toList();
        IdSteps.over(known, some -> mapper.setRemoved(propertyId, some, false));
        return rows.isEmpty() ? ids : ids(propertyId);
    }

    private Map<String, Long> ids(long propertyId) {
        Map<String, Long> ids = new HashMap<>();
        mapper.keys(propertyId).forEach(each -> ids.put(each.phraseKey(), each.id()));
        return ids;
    }

    /** Makes keywords of queries that are not yet on the list, and returns the ids of all, in their order. */
    public List<Long> ofQueries(long propertyId, List<String> queries) {
        Words words = Words.in(clients.property(propertyId).language());
        Map<String, String> phrases = new LinkedHashMap<>();
        for (String query : queries) phrases.putIfAbsent(Phrase.of(query, words).key(), query);
        Map<String, Long> ids = putOnTheList(propertyId, phrases, phrases.keySet(), new LinkedHashSet<>());
        return queries.stream()
                .map(query -> ids.get(Phrase.of(query, words).key()))
                .toList();
    }

    /** How many keywords each of some properties has; those without any are left out. */
    public Map<Long, Long> counts(Collection<Long> propertyIds) {
        return mapper.counts(propertyIds.toArray()).stream()
                .collect(Collectors.toMap(
                        KeywordRowMapper.KeywordCount::propertyId, KeywordRowMapper.KeywordCount::keywords));
    }

    /** Takes keywords off the list; what was decided of them is put aside. */
    void remove(long propertyId, List<Long> keywordIds) {
        change(
                propertyId,
                () -> IdSteps.over(keywordIds, ids -> {
                    mapper.putTargetsAside(ids);
                    targets.deleteTargetsOf(ids);
                    mapper.setRemoved(propertyId, ids, true);
                    runs.due(propertyId);
                }));
        runs.begin(propertyId);
    }

    /** Brings keywords back that were taken off the list, with what was decided of them. */
    void restore(long propertyId, List<Long> keywordIds) {
        change(
                propertyId,
                () -> IdSteps.over(keywordIds, ids -> {
                    mapper.setRemoved(propertyId, ids, false);
                    mapper.bringPrimaryBack(propertyId, ids);
                    mapper.bringSecondaryBack(propertyId, ids);
                    mapper.forgetTargetsAside(propertyId, ids);
                    runs.due(propertyId);
                }));
        runs.begin(propertyId);
    }

    private void change(long propertyId, Runnable work) {
        line.run(propertyId, "changing keywords", () -> transaction.executeWithoutResult(status -> work.run()));
    }
}
