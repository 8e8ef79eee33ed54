package lucidsweep.server.aim.tags;

import java.util.List;
import java.util.Locale;
import lucidsweep.server.web.Page;
import lucidsweep.server.web.Rows;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.StreamingResponseBody;

@RestController
@RequestMapping("/api/properties/{propertyId}")
class TagController {

    private final Tags tags;
    private final Groups groups;

    TagController(Tags tags, Groups groups) {
        this.tags = tags;
        this.groups = groups;
    }

    @GetMapping("/tags")
    Page<TagRow> tags(
            @PathVariable long propertyId,
            @RequestParam(required = false) String kind,
            @RequestParam(required = false) String q,
            @RequestParam(defaultValue = "items") String sort,
            @RequestParam(defaultValue = "true") boolean desc,
            @RequestParam(defaultValue = "0") int from,
            @RequestParam(defaultValue = "200") int count) {
        return Page.of(tags.rows(propertyId, kind, q, sort, desc), from, count);
    }

    @GetMapping({"/tags.csv", "/tags.xlsx"})
    ResponseEntity<StreamingResponseBody> tagsCsv(
            @PathVariable long propertyId,
            @RequestParam(required = false) String kind,
            @RequestParam(required = false) String q,
            @RequestParam(defaultValue = "items") String sort,
            @RequestParam(defaultValue = "true") boolean desc) {
        List<TagRow> rows = tags.rows(propertyId, kind, q, sort, desc);
        return Rows.download("tags", csv -> {
            csv.row("tag", "items", "searches", "peaks", "impressions", "clicks", "rate", "course", "twins", "longer");
            rows.forEach(row -> csv.row(
                    row.tag(),
                    row.items(),
                    row.searched().searches(),
                    row.searched().peaks(),
                    row.reported().impressions(),
                    row.reported().clicks(),
                    row.reported().rate(),
                    row.course().name().toLowerCase(Locale.ROOT),
                    String.join(", ", row.twins()),
                    String.join(
                            ", ",
                            row.longer().stream().map(longer -> longer.phrase()).toList())));
        });
    }

    @GetMapping("/groups")
    Groups.GroupView groups(@PathVariable long propertyId) {
        return groups.of(propertyId);
    }
}
