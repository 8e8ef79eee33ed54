package lucidsweep.server.aim.targets;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.aim.AimPlan;
import lucidsweep.core.aim.KeywordMapper;
import lucidsweep.core.demand.BetterKeywords;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.demand.SharedQueries;
import lucidsweep.core.keyword.Intent;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.PlacesNamed;
import lucidsweep.core.keyword.Target;
import lucidsweep.server.database.Columns;
import lucidsweep.server.database.ManyRows;
import org.springframework.stereotype.Component;
import tools.jackson.databind.json.JsonMapper;

/** Writes what was worked out; what a person decided is left as it is. */
@Component
public class AimPlanStore {

    private static final int AT_ONCE = 1_000;
    private static final int MAX_PAGES = 2_000;
    private static final int MAX_SHARED = 500;
    private static final int LIST = 200;

    private final TargetMapper mapper;
    private final JsonMapper json;

    AimPlanStore(TargetMapper mapper, JsonMapper json) {
        this.mapper = mapper;
        this.json = json;
    }

    /** Writes a plan, within the caller's transaction. */
    void write(long propertyId, PlacesNamed places, PreparedProperties.Ready ready, AimPlan plan) {
        writeTargets(propertyId, ready, plan);
        writeKeywords(places, ready, plan);
        writeBetter(propertyId, ready, plan);
        mapper.setSummary(propertyId, json.writeValueAsString(summary(ready, plan)));
    }

    /** What was worked out besides the targets; empty where nothing was yet. */
    public AimSummary summary(long propertyId) {
        String summary = mapper.summary(propertyId);
        return summary == null
                ? new AimSummary("", "", 0, 0, 0, 0, 0, 0, "", List.of(), List.of(), List.of())
                : json.readValue(summary, AimSummary.class);
    }

    private void writeTargets(long propertyId, PreparedProperties.Ready ready, AimPlan plan) {
        mapper.deleteWorkedOut(propertyId);
        List<TargetMapper.NewTarget> rows = new ArrayList<>();
        for (Target target : plan.targets()) {
            rows.add(new TargetMapper.NewTarget(
                    target.item(),
                    propertyId,
                    ready.keywords().get(target.keyword()).id(),
                    target.role().code(),
                    target.score(),
                    target.reason()));
        }
        inSteps(rows, mapper::insertTargets);
    }

    private void writeKeywords(PlacesNamed places, PreparedProperties.Ready ready, AimPlan plan) {
        List<TargetMapper.WorkedOut> rows = new ArrayList<>();
        for (int i = 0; i < ready.keywords().size(); i++) {
            Keyword keyword = ready.keywords().get(i);
            String place = places.in(keyword.phrase());
            Intent intent = Intent.of(keyword.phrase(), Language.of(ready.language()), plan.brand()[i], place);
            DemandTally.Sum sum = plan.keywordDemand().get(i);
            rows.add(new TargetMapper.WorkedOut(
                    keyword.id(),
                    plan.topics().get(i),
                    intent.kind().code(),
                    intent.reason(),
                    plan.brand()[i],
                    place,
                    sum.clicks(),
                    sum.impressions(),
                    sum.position()));
        }
        inSteps(rows, mapper::setWorkedOut);
    }

    private void writeBetter(long propertyId, PreparedProperties.Ready ready, AimPlan plan) {
        mapper.deleteBetter(propertyId);
        List<TargetMapper.NewBetter> rows = new ArrayList<>();
        List<BetterKeywords.Better> all = new ArrayList<>(plan.better());
        all.addAll(plan.tooEarly());
        for (BetterKeywords.Better better : all) {
            String until = better.youngUntil() == 0
                    ? ""
                    : LocalDate.ofEpochDay(better.youngUntil()).toString();
            rows.add(new TargetMapper.NewBetter(
                    propertyId,
                    better.item(),
                    clip(ready.mapper().query(better.query()), 500),
                    better.now(),
                    new Worth(
                            better.shown(),
                            better.rank().position(),
                            better.positionBefore(),
                            better.volume(),
                            better.reachable().position(),
                            better.rank().rate(),
                            better.reachable().rate(),
                            better.relevance(),
                            better.value()),
                    until,
                    better.reason()));
        }
        ManyRows.each(rows, mapper::insertBetter);
    }

    private static String clip(String text, int max) {
        return text.length() <= max ? text : text.substring(0, max);
    }

    private static void inSteps(List<? extends Record> rows, Consumer<Map<String, Object[]>> statement) {
        for (int start = 0; start < rows.size(); start += AT_ONCE) {
            statement.accept(Columns.of(rows.subList(start, Math.min(rows.size(), start + AT_ONCE))));
        }
    }

    private AimSummary summary(PreparedProperties.Ready ready, AimPlan plan) {
        AimPlan.Reported reported = plan.reported();
        return new AimSummary(
                ready.today().minusDays(KeywordMapper.WINDOW - 1L).toString(),
                ready.today().toString(),
                reported.months(),
                reported.rows(),
                reported.elsewhere(),
                reported.withoutPosition(),
                reported.tooManyClicks(),
                reported.missingDays(),
                plan.curve().shape().words(),
                plan.curve().points().stream()
                        .map(point -> new AimSummary.CurvePoint(
                                point.position(),
                                point.rate(),
                                point.low(),
                                point.high(),
                                point.impressions(),
                                point.clicks(),
                                point.thin()))
                        .toList(),
                shared(ready, plan),
                plan.gaps().stream()
                        .limit(MAX_PAGES)
                        .map(gap -> page(gap, ready.keywords()))
                        .toList());
    }

    private static AimSummary.PageToAdd page(AimPlan.Gap gap, List<Keyword> keywords) {
        return new AimSummary.PageToAdd(
                gap.topic(),
                gap.page().slug(),
                gap.page().title(),
                gap.page().description(),
                gap.section(),
                gap.volume(),
                gap.keywords().stream()
                        .map(keywords::get)
                        .map(keyword -> new AimSummary.HomelessKeyword(keyword.phrase(), keyword.volume()))
                        .toList());
    }

    private List<AimSummary.SharedQuery> shared(PreparedProperties.Ready ready, AimPlan plan) {
        List<SharedQueries.Shared> some =
                plan.shared().stream().limit(MAX_SHARED).toList();
        Map<Long, String> addresses = new HashMap<>();
        Object[] ids = some.stream()
                .flatMap(shared -> shared.sides().stream())
                .map(SharedQueries.Side::item)
                .distinct()
                .toArray();
        for (int start = 0; start < ids.length; start += LIST) {
            Object[] few = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + LIST));
            mapper.addresses(few).forEach(each -> addresses.put(each.id(), each.address()));
        }
        return some.stream()
                .map(shared -> new AimSummary.SharedQuery(
                        ready.mapper().query(shared.query()),
                        shared.shown(),
                        shared.sides().stream()
                                .map(side -> new AimSummary.SharingItem(
                                        side.item(),
                                        addresses.getOrDefault(side.item(), ""),
                                        side.share(),
                                        side.position(),
                                        side.clicks(),
                                        side.instead() < 0 ? "" : ready.mapper().query(side.instead())))
                                .toList()))
                .toList();
    }
}
