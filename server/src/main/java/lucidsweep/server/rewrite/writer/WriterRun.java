package lucidsweep.server.rewrite.writer;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.concurrent.atomic.AtomicInteger;
import lucidsweep.core.item.Field;
import lucidsweep.core.keyword.Language;
import lucidsweep.core.keyword.Phrase;
import lucidsweep.core.keyword.Words;
import lucidsweep.core.writer.AltLines;
import lucidsweep.core.writer.AnswerCheck;
import lucidsweep.core.writer.Briefing;
import lucidsweep.core.writer.Input;
import lucidsweep.core.writer.Instruction;
import lucidsweep.core.writer.Message;
import lucidsweep.core.writer.Objection;
import lucidsweep.core.writer.Request;
import lucidsweep.server.client.Property;
import lucidsweep.server.database.Durability;
import lucidsweep.server.job.Progress;
import lucidsweep.server.job.WorkThreads;
import lucidsweep.server.outside.PatientClient;
import lucidsweep.server.web.Counted;
import lucidsweep.server.web.Refusal;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/**
 * One run of the writer: item by item, several at a time, each column after those whose answers it needs. Every answer is
 * stored as it comes, so that a run which was ended anyhow goes on with what still waits and pays for nothing twice.
 */
final class WriterRun {

    private static final int CHUNK = 40;

    /** An answer that cannot be used is asked for once more, with what was wrong with it. */
    private static final int ASKED = 2;

    private static final int SHOWN = 80;

    /** Where so many requests in a row get no answer, the others will not fare better. */
    private static final int NO_ANSWERS_ENDURED = 12;

    private final WriterRunMapper.Line run;
    private final Property property;
    private final List<Instruction> columns;
    private final ServiceSettings settings;
    private final TextServiceClient service;
    private final AnswerCheck check;
    private final Briefings briefings;
    private final WriterCellMapper cells;
    private final WriterRunMapper runs;
    private final Durability durability;
    private final JsonMapper json;
    private final Progress progress;
    private final Language language;
    private final AtomicInteger noAnswers = new AtomicInteger();
    private final AtomicBoolean atCeiling = new AtomicBoolean();
    private final AtomicInteger done = new AtomicInteger();
    private final AtomicInteger failed = new AtomicInteger();
    private double spent;

    /** @param columns all of the property's, in the order in which they are asked */
    WriterRun(
            WriterRunMapper.Line run,
            Property property,
            List<Instruction> columns,
            ServiceSettings settings,
            TextServiceClient service,
            AnswerCheck check,
            Briefings briefings,
            WriterCellMapper cells,
            WriterRunMapper runs,
            Durability durability,
            JsonMapper json,
            Progress progress) {
        this.run = run;
        this.property = property;
        this.columns = columns;
        this.settings = settings;
        this.service = service;
        this.check = check;
        this.briefings = briefings;
        this.cells = cells;
        this.runs = runs;
        this.durability = durability;
        this.json = json;
        this.progress = progress;
        language = Language.of(property.language());
        spent = run.spent();
    }

    /** Runs to its end, to its ceiling, or until somebody stops it; says how it went. */
    String run() throws InterruptedException {
        long total = cells.countWaiting(run.jobId());
        try (WorkThreads threads = new WorkThreads("writer", settings.parallel())) {
            long after = -1;
            while (!isOver()) {
                List<Long> some = cells.waitingItems(run.jobId(), after, CHUNK);
                if (some.isEmpty()) break;
                after = some.get(some.size() - 1);
                ask(some, threads, total);
            }
        }
        return summary(cells.countWaiting(run.jobId()));
    }

    private boolean isOver() {
        return progress.stopAsked() || atCeiling.get() || noAnswers.get() >= NO_ANSWERS_ENDURED;
    }

    private void ask(List<Long> ids, WorkThreads threads, long total) throws InterruptedException {
        long[] some = ids.stream().mapToLong(Long::longValue).toArray();
        Map<Long, Map<Long, WriterCellMapper.Line>> known = new HashMap<>();
        for (WriterCellMapper.Line cell : cells.cells(property.id(), ids.toArray())) {
            known.computeIfAbsent(cell.itemId(), any -> new HashMap<>()).put(cell.columnId(), cell);
        }
        List<Future<?>> underWay = new ArrayList<>();
        List<Briefings.Briefed> items = briefings.of(property, some);
        for (Briefings.Briefed item : items) {
            underWay.add(threads.submit(() -> {
                write(item, known.getOrDefault(item.itemId(), Map.of()));
                progress.report(done.get() + failed.get(), total);
                return null;
            }));
        }
        try {
            for (Future<?> each : underWay) each.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException cause) throw cause;
            if (e.getCause() instanceof InterruptedException) throw new InterruptedException();
            throw new IllegalStateException(e.getCause());
        } finally {
            underWay.forEach(each -> each.cancel(false));
        }
        failGone(ids, items, known);
    }

    /** What is gone from the property since cannot be asked about. */
    private void failGone(
            List<Long> ids, List<Briefings.Briefed> items, Map<Long, Map<Long, WriterCellMapper.Line>> known) {
        for (long id : ids) {
            if (items.stream().anyMatch(item -> item.itemId() == id)) continue;
            known.getOrDefault(id, Map.of()).values().stream()
                    .filter(cell -> cell.state() == CellState.WAITING)
                    .forEach(cell -> fail(cell, cell.answer(), cell.asked(), cell.retried(), 0, "the item is gone"));
        }
    }

    private void write(Briefings.Briefed item, Map<Long, WriterCellMapper.Line> known) throws InterruptedException {
        Map<String, String> answers = new LinkedHashMap<>();
        for (Instruction column : columns) {
            WriterCellMapper.Line cell = known.get(column.id());
            if (cell != null && cell.state() == CellState.WAITING && !isOver())
                cell = write(column, item, cell, answers);
            if (cell != null && cell.state() == CellState.DONE) answers.put(column.name(), cell.answer());
        }
    }

    private WriterCellMapper.Line write(
            Instruction column, Briefings.Briefed item, WriterCellMapper.Line cell, Map<String, String> answers)
            throws InterruptedException {
        Map<String, String> needed = new LinkedHashMap<>();
        for (String name : column.after()) {
            if (!answers.containsKey(name)) {
                return fail(
                        cell,
                        cell.answer(),
                        cell.asked(),
                        0,
                        0,
                        "it goes on with “" + name + "”, which has no answer that can be used");
            }
            needed.put(name, answers.get(name));
        }
        Briefing briefing = item.with(needed);
        List<String> images = briefing.lines(Input.IMAGES);
        if (column.makes() == Field.IMAGES && images.isEmpty()) {
            return fail(cell, null, cell.asked(), 0, 0, "no image of the page lacks an alt text");
        }
        String phrase = briefing.text(Input.KEYWORD);
        Phrase keyword = phrase.isEmpty() ? null : Phrase.of(phrase, Words.in(property.language()));
        AnswerCheck.Wanted wanted = new AnswerCheck.Wanted(column.makes(), column.maxChars(), item.standard(), keyword);
        List<Message> messages = Request.of(column, briefing, item.standard(), language);
        int maxTokens = 2 * Request.answerTokens(column, briefing, item.standard()) + 50;
        // Whoever asks again for what failed gets one more try than before.
        int most = cell.problems() == null ? ASKED : Math.max(ASKED, cell.asked() + 1);
        int retried = 0;
        double cost = 0;
        for (int asked = 1; ; asked++) {
            Got got;
            try {
                got = ask(messages, maxTokens);
            } catch (PatientClient.NoAnswer e) {
                // Where nobody waits any more, it waits for the next time.
                if (isOver()) return cell;
                noAnswers.incrementAndGet();
                return fail(cell, cell.answer(), cell.asked(), retried, cost, e.getMessage());
            }
            if (got == null) return cell;
            retried += got.retried;
            cost += got.cost;
            String text = textOf(got.answer);
            List<Objection> wrong = text == null ? List.of(noObject(got.answer)) : check.of(text, wanted, briefing);
            if (wrong.isEmpty()) {
                done.incrementAndGet();
                String usable = column.makes() == Field.IMAGES
                        ? AltLines.given(text, images).orElseThrow()
                        : text;
                return set(cell, CellState.DONE, usable, null, asked, retried, cost);
            }
            if (asked >= most) {
                failed.incrementAndGet();
                return set(cell, CellState.FAILED, text, json.writeValueAsString(wrong), asked, retried, cost);
            }
            messages = Request.again(messages, got.answer, wrong);
        }
    }

    private static Objection noObject(String answer) {
        String start = answer.length() <= SHOWN ? answer : answer.substring(0, SHOWN) + "…";
        return new Objection(
                Objection.Kind.NO_PLAIN_TEXT, "", "it is not the JSON object that was asked for, but “" + start + "”");
    }

    private record Got(String answer, int retried, double cost) {}

    /** Asks, unless that was paid for before; null where the ceiling does not allow it. */
    private Got ask(List<Message> messages, int maxTokens) throws PatientClient.NoAnswer, InterruptedException {
        String body = service.body(messages, maxTokens);
        byte[] hash = hash(settings.address() + "\n" + property.id() + "\n" + body);
        WriterCellMapper.Paid paid = cells.paid(hash);
        if (paid != null) return new Got(paid.answer(), 0, 0);
        double expected = settings.cost(Request.tokens(messages), maxTokens / 2);
        if (!reserve(expected)) return null;
        double cost = 0;
        try {
            TextServiceClient.Answered answer = service.ask(body, HexFormat.of().formatHex(hash), this::isOver);
            noAnswers.set(0);
            cost = settings.cost(answer.tokensIn(), answer.tokensOut());
            cells.pay(
                    hash,
                    property.id(),
                    new WriterCellMapper.Paid(answer.text(), answer.tokensIn(), answer.tokensOut()));
            runs.spend(run.jobId(), cost);
            durability.await();
            return new Got(answer.text(), answer.retried(), cost);
        } finally {
            settle(expected, cost);
        }
    }

    /** Sets money aside before it is spent, so that many that ask at once do not pass the ceiling together. */
    private synchronized boolean reserve(double expected) {
        if (run.ceiling() != null && spent + expected > run.ceiling()) {
            atCeiling.set(true);
            return false;
        }
        spent += expected;
        return true;
    }

    private synchronized void settle(double expected, double cost) {
        spent += cost - expected;
    }

    private WriterCellMapper.Line fail(
            WriterCellMapper.Line cell, String answer, int asked, int retried, double cost, String why) {
        failed.incrementAndGet();
        String problems = json.writeValueAsString(List.of(Map.of("words", "", "says", why)));
        return set(cell, CellState.FAILED, answer, problems, asked, retried, cost);
    }

    private WriterCellMapper.Line set(
            WriterCellMapper.Line cell,
            CellState state,
            String answer,
            String problems,
            int asked,
            int retried,
            double cost) {
        WriterCellMapper.Line changed = new WriterCellMapper.Line(
                cell.columnId(), cell.itemId(), state, answer, problems, asked, retried, cost);
        cells.set(changed);
        return changed;
    }

    /** The text of an answer, which is a JSON object as asked for; null where it is none. */
    private String textOf(String answer) {
        String bare = answer.strip().replaceFirst("^```(?:json)?\\s*", "").replaceFirst("\\s*```$", "");
        try {
            JsonNode text = json.readTree(bare).path("text");
            return text.isString() ? text.asString().strip() : null;
        } catch (JacksonException e) {
            return null;
        }
    }

    private static byte[] hash(String text) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private String summary(long waiting) {
        String came = Counted.of(done.get(), "answer") + " can be used"
                + (failed.get() == 0 ? "" : ", " + String.format(Locale.UK, "%,d", failed.get()) + " cannot");
        String cost = String.format(Locale.UK, "%.2f %s spent", spent, settings.currency());
        if (noAnswers.get() >= NO_ANSWERS_ENDURED) {
            throw Refusal.conflict("The service gives no answers any more. " + came + "; " + cost + ". "
                    + Counted.of(waiting, "cell") + " " + (waiting == 1 ? "waits" : "wait") + ".");
        }
        String rest = waiting == 0
                ? ""
                : " " + Counted.of(waiting, "cell") + " " + (waiting == 1 ? "waits" : "wait")
                        + (atCeiling.get() ? ": the next would pass the ceiling." : ".");
        return came + "; " + cost + "." + rest;
    }
}
