package lucidsweep.server.aim.ideas;

import jakarta.validation.constraints.NotNull;
import java.util.List;
import lucidsweep.server.aim.targets.AimPlanStore;
import lucidsweep.server.aim.targets.AimSummary;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class BetterController {

    private static final int ALL = 1_000;

    private final BetterKeywordStore betters;
    private final AimPlanStore store;

    BetterController(BetterKeywordStore betters, AimPlanStore store) {
        this.betters = betters;
        this.store = store;
    }

    @GetMapping("/better")
    Page<BetterRow> better(
            @PathVariable long propertyId,
            @RequestParam(defaultValue = "false") boolean young,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int count) {
        return betters.page(propertyId, young, from, count);
    }

    @PostMapping("/better/accept")
    BetterKeywordStore.Accepted accept(@PathVariable long propertyId, @RequestBody List<@NotNull Long> ids) {
        return betters.accept(propertyId, ids);
    }

    @PostMapping("/better/refuse")
    void refuse(@PathVariable long propertyId, @RequestBody List<@NotNull Long> ids) {
        betters.refuse(propertyId, ids);
    }

    @GetMapping({"/better.csv", "/better.xlsx"})
    ResponseEntity<StreamingResponseBody> betterCsv(@PathVariable long propertyId) {
        return Rows.download("better", csv -> {
            csv.row("address", "keyword_now", "keyword_better", "impressions", "position", "value", "reason");
            List<BetterRow> rows;
            int from = 0;
            do {
                rows = betters.page(propertyId, false, from, ALL).rows();
                rows.forEach(row -> csv.row(
                        row.address(),
                        row.aimed(),
                        row.query(),
                        Math.round(row.worth().shown()),
                        row.worth().position(),
                        row.worth().gain(),
                        row.reason()));
                from += ALL;
            } while (rows.size() == ALL);
        });
    }

    /** What was worked out besides the targets; empty where nothing was yet. */
    @GetMapping("/aim")
    AimSummary summary(@PathVariable long propertyId) {
        return store.summary(propertyId);
    }

    @GetMapping({"/pages-to-add.csv", "/pages-to-add.xlsx"})
    ResponseEntity<StreamingResponseBody> pagesFile(@PathVariable long propertyId) {
        return Rows.download("pages-to-add", rows -> {
            rows.row("topic", "keyword", "volume", "slug", "title", "description", "section");
            for (AimSummary.PageToAdd page : summary(propertyId).pages()) {
                for (AimSummary.HomelessKeyword keyword : page.keywords()) {
                    rows.row(
                            page.topic(),
                            keyword.phrase(),
                            keyword.volume(),
                            page.slug(),
                            page.title(),
                            page.description(),
                            page.section());
                }
            }
        });
    }
}
