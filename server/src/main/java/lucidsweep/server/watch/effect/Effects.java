package lucidsweep.server.watch.effect;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import lucidsweep.core.demand.WeeklyFigures;
import lucidsweep.core.effect.Changed;
import lucidsweep.core.effect.Effect;
import lucidsweep.core.effect.EffectStudy;
import lucidsweep.core.effect.FalseDiscoveries;
import lucidsweep.core.finding.Stake;
import lucidsweep.server.aim.demand.WeeklyDemand;
import lucidsweep.server.aim.demand.WeeklyDemand.Weeks;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.release.Acceptances;
import lucidsweep.server.release.LiveReleases;
import lucidsweep.server.release.LiveReleases.LiveText;
import lucidsweep.server.triage.MendedFaults;
import lucidsweep.server.watch.effect.Subjects.Subject;
import org.springframework.stereotype.Service;

/** Works out what releases, and other parts of what is live, brought. */
@Service
public class Effects implements MendedFaults {

    private static final int MOST_DRAWS = 1_000;
    private static final int FEWEST_DRAWS = 200;

    /** So many items are weighted anew in all: of thousands of items a few hundred draws tell as much. */
    private static final int WEIGHTED = 1_000_000;

    private static final double FALSE_SHARE = 0.1;

    private final LiveReleases live;
    private final Subjects subjects;
    private final Acceptances acceptances;
    private final WeeklyDemand demand;
    private final Items items;
    private final Clients clients;

    /** What was worked out, as long as it would come from the same. */
    private final Cache<Long, Found> kept = Caffeine.newBuilder().softValues().build();

    /** @param mended what became of items that were freed of a fault */
    private record Found(Sources sources, List<EffectRow> rows, List<Mended> mended) {}

    /**
     * What effects are worked out from.
     *
     * @param demand another object for each time that demand was read
     */
    private record Sources(
            Object demand,
            List<LiveText> live,
            Set<Long> touched,
            Map<Long, LocalDate> shownOld,
            Subjects.Groupings groupings) {}

    Effects(
            LiveReleases live,
            Subjects subjects,
            Acceptances acceptances,
            WeeklyDemand demand,
            Items items,
            Clients clients) {
        this.live = live;
        this.subjects = subjects;
        this.acceptances = acceptances;
        this.demand = demand;
        this.items = items;
        this.clients = clients;
    }

    /** All that can be told of a property: its releases first, the latest on top. */
    public List<EffectRow> of(long propertyId) {
        return found(propertyId).rows;
    }

    /** Where nothing that is live mended anything, no demand is read for it. */
    @Override
    public List<Mended> mended(long propertyId) {
        boolean any =
                live.live(propertyId).stream().anyMatch(text -> !text.mended().isEmpty());
        return any ? found(propertyId).mended : List.of();
    }

    private Found found(long propertyId) {
        clients.property(propertyId);
        Weeks weeks = demand.ofItems(propertyId);
        Sources sources = new Sources(
                weeks.version(),
                live.live(propertyId),
                live.touched(propertyId),
                acceptances.lastShownOld(propertyId),
                subjects.groupings(propertyId));
        return kept.asMap()
                .compute(
                        propertyId,
                        (id, found) -> found != null && found.sources.equals(sources)
                                ? found
                                : found(
                                        new Study(weeks, sources),
                                        sources,
                                        subjects.of(propertyId, sources.live, sources.groupings)));
    }

    private static Found found(Study study, Sources sources, List<Subject> subjects) {
        List<EffectRow> rows = subjects.stream().map(study::row).toList();
        List<Mended> mended = new ArrayList<>();
        for (int i = 0; i < rows.size(); i++) {
            Subject subject = subjects.get(i);
            if (!subject.kind().equals(Subjects.CHECK) || !rows.get(i).isTold()) continue;
            mended.add(study.mended(subject, rows.get(i).effect()));
        }
        return new Found(sources, held(rows), mended);
    }

    /** How many items stand in releases that brought more clicks. */
    public int improved(long propertyId) {
        return improved(of(propertyId));
    }

    private static int improved(List<EffectRow> rows) {
        return rows.stream()
                .filter(row -> row.kind().equals("release") && !row.oneOfSeveral())
                .filter(row -> row.effect().verdict() == Effect.Verdict.MORE)
                .mapToInt(row -> row.effect().items())
                .sum();
    }

    /** The same where it has been worked out already; 0 where it has not. */
    public int improvedAsKnown(long propertyId) {
        Found found = kept.getIfPresent(propertyId);
        return found == null ? 0 : improved(found.rows);
    }

    /** Of as many effects at once no more than a tenth of those that are called one may be none. */
    private static List<EffectRow> held(List<EffectRow> rows) {
        List<Integer> told = IntStream.range(0, rows.size())
                .filter(i -> rows.get(i).isTold())
                .boxed()
                .toList();
        double[] chances =
                told.stream().mapToDouble(i -> rows.get(i).effect().chance()).toArray();
        boolean[] picked = FalseDiscoveries.picked(chances, FALSE_SHARE);
        List<EffectRow> held = new ArrayList<>(rows);
        for (int i = 0; i < chances.length; i++) {
            EffectRow row = rows.get(told.get(i));
            if (picked[i] || row.effect().verdict() == Effect.Verdict.UNTOLD) continue;
            held.set(told.get(i), row.asOneOfSeveral());
        }
        return held;
    }

    /** The figures of a property, ready for any part of what is live. */
    private final class Study {
        private final WeeklyFigures figures;
        private final int[] templates;
        private final int[] left;
        private final Map<Long, Integer> numbers = new HashMap<>();
        private final Map<Long, LocalDate> shownOld;
        private final List<LiveText> live;

        private Study(Weeks weeks, Sources sources) {
            live = sources.live;
            figures = weeks.figures();
            for (int i = 0; i < weeks.itemIds().length; i++)
                if (weeks.itemIds()[i] != 0) numbers.put(weeks.itemIds()[i], i);
            Map<Long, String> sections = items.sections(numbers.keySet());
            Map<String, Integer> ofSection = new HashMap<>();
            templates = new int[figures.series()];
            numbers.forEach((id, number) -> templates[number] =
                    ofSection.computeIfAbsent(sections.getOrDefault(id, ""), any -> ofSection.size()));
            Set<Integer> clicked = new HashSet<>();
            for (int number : figures.withClicks(1)) clicked.add(number);
            left = numbers.entrySet().stream()
                    .filter(each -> !sources.touched.contains(each.getKey()) && clicked.contains(each.getValue()))
                    .mapToInt(Map.Entry::getValue)
                    .sorted()
                    .toArray();
            shownOld = sources.shownOld;
        }

        private EffectRow row(Subject subject) {
            Map<Long, Changed> changed = new HashMap<>();
            for (LiveText text : subject.texts()) {
                Integer number = numbers.get(text.itemId());
                if (number == null) continue;
                changed.merge(text.itemId(), changed(number, text), Study::earlier);
            }
            List<Changed> sorted = changed.values().stream()
                    .sorted(Comparator.comparingInt(Changed::item))
                    .toList();
            int draws = Math.max(FEWEST_DRAWS, Math.min(MOST_DRAWS, WEIGHTED / Math.max(1, sorted.size())));
            Effect effect = EffectStudy.of(figures, templates, sorted, left, draws);
            String since = subject.texts().stream()
                    .map(LiveText::since)
                    .min(Comparator.naturalOrder())
                    .map(moment -> day(moment).toString())
                    .orElse("");
            return new EffectRow(
                    subject.kind(),
                    subject.id(),
                    subject.name(),
                    since,
                    subject.texts().size(),
                    effect,
                    estimated(subject, changed),
                    false,
                    effect.words(false));
        }

        /** What was estimated of items of which enough weeks are known. */
        private Stake estimated(Subject subject, Map<Long, Changed> changed) {
            return subject.texts().stream()
                    .filter(text -> text.won() != null && changed.containsKey(text.itemId()))
                    .filter(text -> EffectStudy.isLongEnough(figures, changed.get(text.itemId())))
                    .map(LiveText::won)
                    .reduce(Stake::plus)
                    .orElse(null);
        }

        private Mended mended(Subject subject, Effect became) {
            Set<Long> freed = subject.texts().stream().map(LiveText::itemId).collect(Collectors.toSet());
            double places = 0;
            double shown = 0;
            for (long item : freed) {
                Integer number = numbers.get(item);
                if (number == null) continue;
                for (int week = 0; week < figures.weeks(); week++) {
                    places += figures.logPositions(number, week);
                    shown += figures.placedImpressions(number, week);
                }
            }
            Map<String, Set<Long>> others = new HashMap<>();
            for (LiveText text : live) {
                if (!freed.contains(text.itemId())) continue;
                for (String check : text.mended()) {
                    if (check.equals(subject.id())) continue;
                    others.computeIfAbsent(check, any -> new HashSet<>()).add(text.itemId());
                }
            }
            Map<String, Double> shares = new HashMap<>();
            others.forEach((check, items) -> shares.put(check, items.size() / (double) freed.size()));
            return new Mended(subject.id(), became, shown == 0 ? 1 : Math.exp(places / shown), shares);
        }

        private Changed changed(int number, LiveText text) {
            int delivered = figures.week((int) day(text.delivered()).toEpochDay());
            int seen = figures.week((int) day(text.since()).toEpochDay());
            int counted = Math.max(delivered, seen) + Changed.USUAL_DELAY;
            LocalDate old = shownOld.get(text.itemId());
            if (old != null) counted = Math.max(counted, figures.week((int) old.toEpochDay()) + 1);
            return new Changed(number, Math.min(delivered, seen), counted);
        }

        /** Of an item with several texts, the weeks before the first and those after the last count. */
        private static Changed earlier(Changed one, Changed other) {
            return new Changed(
                    one.item(), Math.min(one.live(), other.live()), Math.max(one.counted(), other.counted()));
        }
    }

    private static LocalDate day(Instant moment) {
        return LocalDate.ofInstant(moment, ZoneId.systemDefault());
    }
}
