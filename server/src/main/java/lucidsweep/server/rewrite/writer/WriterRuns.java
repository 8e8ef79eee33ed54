package lucidsweep.server.rewrite.writer;

import jakarta.annotation.Nullable;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.writer.Briefing;
import lucidsweep.core.writer.Instruction;
import lucidsweep.core.writer.Request;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Durability;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Runs of the writer: estimated, begun, stopped, resumed after a stop or a kill, given up. */
@Service
class WriterRuns {

    private static final int AT_ONCE = 1_000;
    private static final int SAMPLE = 100;

    private final WriterColumns columns;
    private final WriterCellMapper cells;
    private final WriterRunMapper runs;
    private final TextServices services;
    private final AnswerRules rules;
    private final Briefings briefings;
    private final Clients clients;
    private final Jobs jobs;
    private final Durability durability;
    private final TransactionTemplate transaction;
    private final JsonMapper json;
    private final boolean goOnByItself;

    WriterRuns(
            WriterColumns columns,
            WriterCellMapper cells,
            WriterRunMapper runs,
            TextServices services,
            AnswerRules rules,
            Briefings briefings,
            Clients clients,
            Jobs jobs,
            Durability durability,
            TransactionTemplate transaction,
            JsonMapper json,
            @Value("${lucid.go-on:true}") boolean goOnByItself) {
        this.columns = columns;
        this.cells = cells;
        this.runs = runs;
        this.services = services;
        this.rules = rules;
        this.briefings = briefings;
        this.clients = clients;
        this.jobs = jobs;
        this.durability = durability;
        this.transaction = transaction;
        this.json = json;
        this.goOnByItself = goOnByItself;
    }

    /**
     * What a run would cost at most, reckoned from some of its items; what was paid for before costs nothing.
     *
     * @param cells that would be asked for
     */
    record Estimate(long cells, long tokensIn, long tokensOut, double cost, String currency) {}

    Estimate estimate(long propertyId, long[] ids, List<Long> columnIds) {
        Property property = clients.property(propertyId);
        ServiceSettings settings = services.needed();
        List<Instruction> wanted = wanted(propertyId, columnIds);
        Language language = Language.of(property.language());
        long in = 0;
        long out = 0;
        List<Briefings.Briefed> some = briefings.of(property, sample(ids));
        for (Briefings.Briefed item : some) {
            for (Instruction column : wanted) {
                Map<String, String> unknown =
                        column.after().stream().collect(Collectors.toMap(name -> name, name -> ""));
                Briefing briefing = item.with(unknown);
                in += Request.tokens(Request.of(column, briefing, item.standard(), language));
                out += Request.answerTokens(column, briefing, item.standard());
            }
        }
        double times = some.isEmpty() ? 0 : ids.length / (double) some.size();
        long tokensIn = Math.round(in * times);
        long tokensOut = Math.round(out * times);
        return new Estimate(
                (long) ids.length * wanted.size(),
                tokensIn,
                tokensOut,
                settings.cost(tokensIn, tokensOut),
                settings.currency());
    }

    /** Some ids spread over all, the same ones each time. */
    private static long[] sample(long[] ids) {
        if (ids.length <= SAMPLE) return ids;
        return new Random(ids.length)
                .ints(0, ids.length)
                .distinct()
                .limit(SAMPLE)
                .mapToLong(at -> ids[at])
                .sorted()
                .toArray();
    }

    private List<Instruction> wanted(long propertyId, List<Long> columnIds) {
        List<Instruction> all = columns.ofProperty(propertyId);
        List<Instruction> wanted =
                all.stream().filter(column -> columnIds.contains(column.id())).toList();
        if (wanted.isEmpty()) throw Refusal.badInput("expected at least one column of the writer, got none");
        return wanted;
    }

    /** Begins to ask; returns the job. One at a time, so that two that begin at once do not both find nobody at work. */
    synchronized long begin(long propertyId, long[] ids, List<Long> columnIds, Double ceiling) {
        Property property = clients.property(propertyId);
        services.needed();
        if (ids.length == 0) throw Refusal.badInput("expected at least one item, got none");
        List<Instruction> wanted = wanted(propertyId, columnIds);
        WriterRunMapper.Line other = runs.unfinished(propertyId);
        if (other != null) {
            throw Refusal.conflict(
                    other.underWay()
                            ? "the writer is at work on this property already; wait until that has ended, or stop it"
                            : "cells still wait from the last run; resume it, or give up what waits");
        }
        String names = wanted.stream().map(Instruction::name).collect(Collectors.joining(", "));
        long job = jobs.create(propertyId, "writer", "Writing " + names + " for " + Counted.of(ids.length, "item"));
        WriterRunMapper.Line run = new WriterRunMapper.Line(job, propertyId, ceiling, 0, true);
        transaction.executeWithoutResult(status -> {
            runs.insert(run);
            for (Instruction column : wanted) {
                for (int start = 0; start < ids.length; start += AT_ONCE) {
                    long[] some = Arrays.copyOfRange(ids, start, Math.min(ids.length, start + AT_ONCE));
                    cells.await(column.id(), job, Arrays.stream(some).boxed().toArray());
                }
            }
        });
        durability.await();
        start(property, job);
        return job;
    }

    private void start(Property property, long jobId) {
        jobs.start(jobId, progress -> run(property, jobId, progress));
    }

    private String run(Property property, long jobId, Progress progress) throws InterruptedException {
        try {
            ServiceSettings settings = services.needed();
            return new WriterRun(
                            runs.find(jobId),
                            property,
                            columns.ofProperty(property.id()),
                            settings,
                            services.client(settings),
                            rules.of(property),
                            briefings,
                            cells,
                            runs,
                            durability,
                            json,
                            progress)
                    .run();
        } finally {
            if (!jobs.isClosing()) runs.setUnderWay(jobId, false);
            durability.await();
            clients.touch(property.id());
        }
    }

    /**
     * What still waits.
     *
     * @param jobId 0 where nothing does
     * @param says how the run ended last, such as why the service refused; "" while it is under way
     */
    record Unfinished(
            long jobId,
            long waiting,
            double spent,
            @Nullable Double ceiling,
            boolean underWay,
            String says) {}

    Unfinished unfinished(long propertyId) {
        WriterRunMapper.Line run = runs.unfinished(propertyId);
        if (run == null) return new Unfinished(0, 0, 0, null, false, "");
        return new Unfinished(
                run.jobId(),
                cells.countWaiting(run.jobId()),
                run.spent(),
                run.ceiling(),
                run.underWay(),
                jobs.find(run.jobId()).note());
    }

    /** Goes on with a run that was stopped, up to another ceiling. */
    synchronized void resume(long jobId, Double ceiling) {
        WriterRunMapper.Line run = stopped(jobId);
        services.needed();
        Property property = clients.property(run.propertyId());
        runs.setCeiling(jobId, ceiling);
        runs.setUnderWay(jobId, true);
        durability.await();
        start(property, jobId);
    }

    /** Gives up what still waits of a run that was stopped. */
    synchronized void giveUp(long jobId) {
        WriterRunMapper.Line run = stopped(jobId);
        transaction.executeWithoutResult(status -> {
            cells.deleteWaiting(jobId);
            cells.endWaiting(jobId);
        });
        clients.touch(run.propertyId());
    }

    private WriterRunMapper.Line stopped(long jobId) {
        WriterRunMapper.Line run = runs.find(jobId);
        if (run == null) throw Refusal.notFound("there is no run " + jobId + " of the writer");
        if (run.underWay()) throw Refusal.conflict("this run is under way; stop it first");
        return run;
    }

    @EventListener(ApplicationReadyEvent.class)
    void goOnAfterTheEnd() {
        // Cells that came with a copy from elsewhere may wait for a run that stayed there.
        cells.deleteWaitingForNone();
        cells.endWaitingForNone();
        if (!goOnByItself) return;
        for (WriterRunMapper.Line run : runs.underWay()) {
            if (clients.isRemoved(run.propertyId())) {
                runs.setUnderWay(run.jobId(), false);
                jobs.close(run.jobId(), "The application ended before this did, and the property was removed since.");
            } else start(clients.property(run.propertyId()), run.jobId());
        }
    }
}
