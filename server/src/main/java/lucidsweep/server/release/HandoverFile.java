package lucidsweep.server.release;

import java.io.IOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import lucidsweep.core.compose.TagList;
import lucidsweep.core.item.Field;
import lucidsweep.core.item.PartTexts;
import lucidsweep.core.page.Redirects;
import lucidsweep.core.page.Slug;
import lucidsweep.server.gather.imports.ImportShape;
import lucidsweep.server.gather.imports.Imports;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.CsvText;
import org.springframework.web.util.HtmlUtils;
import tools.jackson.databind.json.JsonMapper;

/** Writes the texts of a handover in one of its formats, every cell as it is: machines read these files. */
final class HandoverFile {

    private static final int CHUNK = 500;

    private final ReleaseMapper mapper;
    private final Items items;
    private final Imports imports;
    private final JsonMapper json;

    HandoverFile(ReleaseMapper mapper, Items items, Imports imports, JsonMapper json) {
        this.mapper = mapper;
        this.items = items;
        this.imports = imports;
        this.json = json;
    }

    void write(Handover handover, Writer out) throws IOException {
        switch (handover.format()) {
            case "csv" -> writeCsv(handover, out);
            case "json" -> writeJson(handover, out);
            case "html" -> writeHtml(handover, out);
            case "redirects" -> writeRedirects(handover, out);
            default -> writeListings(handover, out);
        }
    }

    private void writeCsv(Handover handover, Writer out) {
        boolean withParts = mapper.fields(handover.id()).stream().anyMatch(PartTexts::areOf);
        try (CsvText csv = CsvText.faithful(out)) {
            if (withParts) csv.row("address", "field", "part", "before", "after");
            else csv.row("address", "field", "before", "after");
            forEachItem(
                    handover,
                    lines -> lines.forEach(line -> {
                        if (PartTexts.areOf(line.field())) writeParts(line, csv);
                        else if (withParts) csv.row(line.address(), line.field(), "", line.before(), line.after());
                        else csv.row(line.address(), line.field(), line.before(), line.after());
                    }));
        }
    }

    /** A row for each image or link whose text changes. */
    private static void writeParts(ReleaseMapper.Line line, CsvText csv) {
        for (ChangedPart part : changed(line)) {
            csv.row(line.address(), line.field(), part.address, part.before, part.after);
        }
    }

    private record ChangedPart(String address, String before, String after) {}

    private static List<ChangedPart> changed(ReleaseMapper.Line line) {
        List<PartTexts.Part> before = PartTexts.of(line.before());
        List<PartTexts.Part> after = PartTexts.of(line.after());
        List<ChangedPart> changed = new ArrayList<>();
        for (int i = 0; i < Math.min(before.size(), after.size()); i++) {
            if (before.get(i).equals(after.get(i))) continue;
            String text = before.get(i).text() == null ? "" : before.get(i).text();
            changed.add(
                    new ChangedPart(after.get(i).address(), text, after.get(i).text()));
        }
        return changed;
    }

    private void writeJson(Handover handover, Writer out) throws IOException {
        out.write("[");
        String[] separator = {"\n"};
        forEachItem(handover, lines -> {
            Map<String, Object> item = new LinkedHashMap<>();
            item.put("address", lines.get(0).address());
            for (ReleaseMapper.Line line : lines) {
                item.put(line.field().code(), value(line));
            }
            append(out, separator[0] + json.writeValueAsString(item));
            separator[0] = ",\n";
        });
        out.write("\n]\n");
    }

    private static Object value(ReleaseMapper.Line line) {
        if (line.field() == Field.TAGS) return TagList.of(line.after());
        if (!PartTexts.areOf(line.field())) return line.after();
        Map<String, String> texts = new LinkedHashMap<>();
        for (ChangedPart part : changed(line)) texts.put(part.address, part.after);
        return texts;
    }

    private void writeHtml(Handover handover, Writer out) {
        forEachItem(handover, lines -> {
            append(out, "<!-- " + lines.get(0).address().replace("--", "%2D%2D") + " -->\n");
            for (ReleaseMapper.Line line : lines) {
                String text = HtmlUtils.htmlEscape(line.after(), "UTF-8");
                if (line.field() == Field.TITLE) append(out, "<title>" + text + "</title>\n");
                if (line.field() == Field.DESCRIPTION) {
                    append(out, "<meta name=\"description\" content=\"" + text + "\">\n");
                }
                if (line.field() == Field.INDEXING) {
                    append(out, "<meta name=\"robots\" content=\"" + text + "\">\n");
                }
                if (line.field() == Field.OG_TITLE) {
                    append(out, "<meta property=\"og:title\" content=\"" + text + "\">\n");
                }
                if (line.field() == Field.OG_DESCRIPTION) {
                    append(out, "<meta property=\"og:description\" content=\"" + text + "\">\n");
                }
            }
            append(out, "\n");
        });
    }

    /** Where each address that gets another slug leads, in one step; earlier redirects that lead elsewhere now, too. */
    private void writeRedirects(Handover handover, Writer out) {
        List<Redirects.Redirect> now = redirects(mapper.slugs(handover.propertyId(), handover.id(), handover.id()));
        List<Redirects.Redirect> before = redirects(mapper.slugs(handover.propertyId(), 0, handover.id() - 1));
        try (CsvText csv = CsvText.faithful(out)) {
            csv.row("from", "to");
            Redirects.of(before, now).forEach(redirect -> csv.row(redirect.from(), redirect.to()));
        }
    }

    private static List<Redirects.Redirect> redirects(List<ReleaseMapper.Line> slugs) {
        return slugs.stream()
                .map(line -> new Redirects.Redirect(line.address(), Slug.replaced(line.address(), line.after())))
                .toList();
    }

    /** Rows as they were imported, with the handed over texts in their columns. */
    private void writeListings(Handover handover, Writer out) {
        ImportShape shape = imports.shape(handover.propertyId());
        try (CsvText csv = CsvText.faithful(out, shape.delimiter())) {
            shape.above().forEach(cells -> csv.row(cells.toArray()));
            if (shape.header()) csv.row(shape.columns().toArray());
            forEachChunk(handover, some -> {
                Map<Long, String> facts = items.facts(
                        some.stream().map(lines -> lines.get(0).itemId()).toList());
                for (List<ReleaseMapper.Line> lines : some) {
                    String captured = facts.get(lines.get(0).itemId());
                    List<String> cells = row(captured, shape.columns().size());
                    for (ReleaseMapper.Line line : lines) {
                        int column = shape.of(line.field().code());
                        if (column >= 0) cells.set(column, line.after());
                    }
                    csv.row(cells.toArray());
                }
            });
        }
    }

    private List<String> row(String captured, int columns) {
        List<String> cells =
                new ArrayList<>(json.readValue(captured, ImportShape.Row.class).cells());
        while (cells.size() < columns) cells.add("");
        return cells.subList(0, columns);
    }

    private void forEachItem(Handover handover, Consumer<List<ReleaseMapper.Line>> visit) {
        forEachChunk(handover, some -> some.forEach(visit));
    }

    /** Walks over the items of a handover, some at a time, each as its lines. */
    private void forEachChunk(Handover handover, Consumer<Collection<List<ReleaseMapper.Line>>> visit) {
        long afterItem = 0;
        Map<Long, List<ReleaseMapper.Line>> chunk;
        do {
            chunk = new LinkedHashMap<>();
            for (ReleaseMapper.Line line : mapper.lines(handover.id(), afterItem, CHUNK)) {
                chunk.computeIfAbsent(line.itemId(), item -> new ArrayList<>()).add(line);
                afterItem = line.itemId();
            }
            chunk.values().forEach(lines -> lines.sort(Comparator.comparing(ReleaseMapper.Line::field)));
            if (!chunk.isEmpty()) visit.accept(chunk.values());
        } while (!chunk.isEmpty());
    }

    private static void append(Writer out, String text) {
        try {
            out.write(text);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
