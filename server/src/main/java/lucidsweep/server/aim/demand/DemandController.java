package lucidsweep.server.aim.demand;

import java.util.List;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Rows;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}/demand")
class DemandController {

    private final DemandTables tables;

    DemandController(DemandTables tables) {
        this.tables = tables;
    }

    @GetMapping("/window")
    DemandWindow window(@PathVariable long propertyId, @ParameterObject DemandFilter filter) {
        return tables.window(propertyId, filter);
    }

    /** What is reported of items, or of queries. */
    @GetMapping("/rows")
    Page<DemandWindow.DemandRow> rows(
            @PathVariable long propertyId,
            @ParameterObject DemandFilter filter,
            @RequestParam(defaultValue = "queries") String side,
            @RequestParam(required = false) String q,
            @RequestParam(defaultValue = "clicks") String sort,
            @RequestParam(defaultValue = "true") boolean desc,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int count) {
        return Page.of(tables.rows(propertyId, side, filter, q, sort, desc), from, count);
    }

    @GetMapping({"/rows.csv", "/rows.xlsx"})
    ResponseEntity<StreamingResponseBody> csv(
            @PathVariable long propertyId,
            @ParameterObject DemandFilter filter,
            @RequestParam(defaultValue = "queries") String side,
            @RequestParam(required = false) String q,
            @RequestParam(defaultValue = "clicks") String sort,
            @RequestParam(defaultValue = "true") boolean desc) {
        List<DemandWindow.DemandRow> rows = tables.rows(propertyId, side, filter, q, sort, desc);
        return Rows.download("demand-" + side, csv -> {
            csv.row(
                    side.equals("items") ? "address" : "query",
                    "clicks",
                    "clicks_before",
                    "clicks_year_before",
                    "impressions",
                    "impressions_before",
                    "impressions_year_before",
                    "rate",
                    "position",
                    "position_before");
            rows.forEach(row -> csv.row(
                    row.text(),
                    row.now().clicks(),
                    row.before().clicks(),
                    row.yearBefore() == null ? "" : row.yearBefore().clicks(),
                    row.now().impressions(),
                    row.before().impressions(),
                    row.yearBefore() == null ? "" : row.yearBefore().impressions(),
                    row.now().rate(),
                    row.now().position() < 1 ? "" : row.now().position(),
                    row.before().position() < 1 ? "" : row.before().position()));
        });
    }
}
