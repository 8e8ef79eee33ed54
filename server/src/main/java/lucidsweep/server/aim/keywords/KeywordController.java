package lucidsweep.server.aim.keywords;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import lucidsweep.core.keyword.Intent;
import lucidsweep.core.keyword.SearchFigures;
import lucidsweep.server.aim.targets.PossibleHome;
import lucidsweep.server.aim.targets.TargetDecisions;
import lucidsweep.server.table.TableFile;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Rows;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class KeywordController {

    private final TargetDecisions aims;
    private final Keywords keywords;
    private final KeywordTables tables;
    private final FigureStore figures;

    KeywordController(TargetDecisions aims, Keywords keywords, KeywordTables tables, FigureStore figures) {
        this.aims = aims;
        this.keywords = keywords;
        this.tables = tables;
        this.figures = figures;
    }

    /** Pasted keywords. */
    record Pasted(
            @NotNull @Size(max = 20_000_000, message = "may have 20,000,000 characters")
            String text) {}

    @GetMapping("/keywords")
    Page<KeywordRow> keywords(
            @PathVariable long propertyId,
            @ParameterObject KeywordFilter filter,
            @RequestParam(defaultValue = "volume") String sort,
            @RequestParam(defaultValue = "true") boolean desc,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int count) {
        return tables.page(propertyId, filter, sort, desc, from, count);
    }

    @GetMapping("/keywords/choices")
    KeywordTables.Choices choices(@PathVariable long propertyId) {
        return tables.choices(propertyId);
    }

    /** The items that a keyword could live with, the best first. */
    @GetMapping("/keywords/{id}/homes")
    List<PossibleHome> homes(@PathVariable long propertyId, @PathVariable long id) {
        return aims.homes(propertyId, id);
    }

    /** What is known of a keyword, country by country. */
    @GetMapping("/keywords/{id}/figures")
    List<SearchFigures> figures(@PathVariable long propertyId, @PathVariable long id) {
        return figures.of(propertyId, id);
    }

    /** A topic for keywords; blank lets it be worked out. */
    record TopicOrder(
            @NotNull KeywordSelection selection, @NotNull String topic) {}

    @PostMapping("/keywords/topic")
    void setTopic(@PathVariable long propertyId, @Valid @RequestBody TopicOrder order) {
        aims.setTopic(propertyId, tables.ids(propertyId, order.selection()), order.topic());
    }

    /** An intent for keywords; null lets it be worked out. */
    record IntentOrder(@NotNull KeywordSelection selection, Intent.Kind intent) {}

    @PostMapping("/keywords/intent")
    void setIntent(@PathVariable long propertyId, @Valid @RequestBody IntentOrder order) {
        aims.setIntent(propertyId, tables.ids(propertyId, order.selection()), order.intent());
    }

    @PostMapping("/keywords")
    Keywords.Added paste(@PathVariable long propertyId, @Valid @RequestBody Pasted pasted) {
        return keywords.add(propertyId, TableFile.of(pasted.text()));
    }

    @PostMapping(path = "/keywords/file", consumes = MediaType.MULTIPART_FORM_DATA_VALUE)
    Keywords.Added upload(@PathVariable long propertyId, @RequestParam MultipartFile file) throws IOException {
        Path stored = Files.createTempFile("keywords", ".csv");
        try {
            file.transferTo(stored);
            return keywords.add(propertyId, TableFile.of(stored));
        } finally {
            Files.delete(stored);
        }
    }

    @PostMapping("/keywords/remove")
    RemovedKeywords remove(@PathVariable long propertyId, @Valid @RequestBody KeywordSelection selection) {
        List<Long> ids = tables.ids(propertyId, selection);
        keywords.remove(propertyId, ids);
        return new RemovedKeywords(ids);
    }

    /** Keywords taken off the list; with their ids they are brought back. */
    record RemovedKeywords(@NotNull List<Long> ids) {}

    @PostMapping("/keywords/restore")
    void restore(@PathVariable long propertyId, @Valid @RequestBody RemovedKeywords removed) {
        keywords.restore(propertyId, removed.ids());
    }

    /** Keeps the homes of keywords as they were worked out: they are decided from then on. */
    @PostMapping("/keywords/keep")
    void keep(@PathVariable long propertyId, @Valid @RequestBody KeywordSelection selection) {
        aims.keepHomes(propertyId, tables.ids(propertyId, selection));
    }

    @GetMapping({"/keywords.csv", "/keywords.xlsx"})
    ResponseEntity<StreamingResponseBody> csv(
            @PathVariable long propertyId,
            @ParameterObject KeywordFilter filter,
            @RequestParam(defaultValue = "volume") String sort,
            @RequestParam(defaultValue = "true") boolean desc) {
        List<KeywordRow> rows = tables.view(propertyId, filter, sort, desc);
        return Rows.download("keywords", csv -> {
            csv.row(
                    "keyword",
                    "volume",
                    "broad",
                    "competition",
                    "country",
                    "peaks",
                    "intent",
                    "topic",
                    "brand",
                    "place",
                    "address",
                    "role",
                    "position",
                    "clicks",
                    "impressions",
                    "reason");
            rows.forEach(row -> csv.row(
                    row.phrase(),
                    row.figures().volume(),
                    row.figures().broad(),
                    row.figures().competition(),
                    row.figures().country(),
                    row.peaks(),
                    row.intention().intent(),
                    row.topic(),
                    row.brand() ? "yes" : "no",
                    row.place(),
                    row.item().address(),
                    row.item().role(),
                    row.reported().position() < 1 ? "" : row.reported().position(),
                    row.reported().clicks(),
                    row.reported().impressions(),
                    row.item().reason()));
        });
    }
}
