package lucidsweep.server.triage;

import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import java.util.List;
import lucidsweep.core.finding.Checks;
import lucidsweep.core.finding.NotIndexable;
import lucidsweep.core.item.Field;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.standard.StandardForm;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.table.ItemSet;
import lucidsweep.server.item.table.ItemSets;
import lucidsweep.server.item.table.SetsChanged;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.web.Refusal;
import org.springframework.context.event.EventListener;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What a property's fields are held to: looked at, tried, set and set back. */
@RestController
@RequestMapping("/api")
class StandardController {

    private final Clients clients;
    private final StandardPreview previews;
    private final FindingsQueue findings;
    private final ItemSets sets;
    private final SetsFile file;
    private final Jobs jobs;
    private final JsonMapper json;

    StandardController(
            Clients clients,
            StandardPreview previews,
            FindingsQueue findings,
            ItemSets sets,
            SetsFile file,
            Jobs jobs,
            JsonMapper json) {
        this.clients = clients;
        this.previews = previews;
        this.findings = findings;
        this.sets = sets;
        this.file = file;
        this.jobs = jobs;
        this.json = json;
    }

    /**
     * A standard.
     *
     * @param set what holds now
     * @param ready what holds where nothing is set
     * @param own whether anything was set
     */
    record StandardView(StandardForm set, StandardForm ready, boolean own, List<CheckView> checks) {}

    /** A check that can be on or off. */
    record CheckView(String id, Field field, String label, String limit) {}

    @GetMapping("/properties/{propertyId}/standard")
    StandardView standard(@PathVariable long propertyId) {
        return view(clients.property(propertyId));
    }

    private static StandardView view(Property property) {
        return view(property, property.standard(), property.readyStandard(), property.hasOwnStandard());
    }

    private static StandardView view(Property property, Standard set, Standard ready, boolean own) {
        return new StandardView(
                StandardForm.of(set),
                StandardForm.of(ready),
                own,
                Checks.all().stream()
                        .filter(check -> !check.code().equals(NotIndexable.CODE))
                        .filter(check -> Checklist.isOf(property, check))
                        .map(check -> new CheckView(check.id(), check.field(), check.label(), check.limit(set)))
                        .toList());
    }

    /**
     * What another standard would find.
     *
     * @param most in how many items, at most; few are answered sooner
     */
    @PostMapping("/properties/{propertyId}/standard/preview")
    StandardPreview.StandardDifference preview(
            @PathVariable long propertyId,
            @RequestParam(defaultValue = "" + StandardPreview.MOST_ITEMS) int most,
            @StandardBody @RequestBody JsonNode form) {
        return previews.of(clients.property(propertyId), StandardFile.of(form), checked(most));
    }

    /** What was set before a change, to go back to it; the job holds all items to the new standard. */
    record Changed(StandardView now, StandardForm before, long jobId) {}

    @PutMapping("/properties/{propertyId}/standard")
    Changed set(@PathVariable long propertyId, @StandardBody @RequestBody JsonNode form) {
        return change(propertyId, json.writeValueAsString(StandardFile.of(form)));
    }

    @DeleteMapping("/properties/{propertyId}/standard")
    Changed setBack(@PathVariable long propertyId) {
        return change(propertyId, null);
    }

    private Changed change(long propertyId, String standard) {
        StandardForm before = StandardForm.of(clients.property(propertyId).standard());
        Property property = clients.setStandard(propertyId, standard);
        return new Changed(view(property), before, holdAll(propertyId));
    }

    private long holdAll(long propertyId) {
        return jobs.start(propertyId, "standard", "Holding all items to the standard", progress -> {
            findings.settleAnew(propertyId);
            return "All items are held to the standard as it is now.";
        });
    }

    @EventListener
    void setsChanged(SetsChanged changed) {
        holdAll(changed.propertyId());
    }

    /** What the items of a set are held to: what it sets itself, and else what the property does. */
    @GetMapping("/sets/{setId}/standard")
    StandardView ofSet(@PathVariable long setId) {
        return view(sets.find(setId));
    }

    private StandardView view(ItemSet set) {
        Property property = clients.property(set.propertyId());
        boolean own = set.standard() != null;
        Standard now = own ? set.standard().over(property.standard()) : property.standard();
        return view(property, now, property.standard(), own);
    }

    @PostMapping("/sets/{setId}/standard/preview")
    StandardPreview.StandardDifference previewOfSet(
            @PathVariable long setId,
            @RequestParam(defaultValue = "" + StandardPreview.MOST_ITEMS) int most,
            @StandardBody @RequestBody JsonNode form) {
        ItemSet set = sets.find(setId);
        return previews.of(clients.property(set.propertyId()), set, StandardFile.of(form), checked(most));
    }

    private static int checked(int most) {
        if (most >= 1 && most <= StandardPreview.MOST_ITEMS) return most;
        throw Refusal.badInput("most: expected 1 to " + StandardPreview.MOST_ITEMS + " items, got " + most);
    }

    @PutMapping("/sets/{setId}/standard")
    Changed setOfSet(@PathVariable long setId, @StandardBody @RequestBody JsonNode form) {
        ItemSet set = sets.find(setId);
        Standard ofProperty = clients.property(set.propertyId()).standard();
        StandardForm own = StandardFile.of(form).differingFrom(StandardForm.of(ofProperty));
        return changeOfSet(set, own.setsNothing() ? null : own);
    }

    @DeleteMapping("/sets/{setId}/standard")
    Changed setBackOfSet(@PathVariable long setId) {
        return changeOfSet(sets.find(setId), null);
    }

    private Changed changeOfSet(ItemSet set, StandardForm standard) {
        StandardForm before = view(set).set();
        sets.setStandard(set, standard);
        long job = holdAll(set.propertyId());
        clients.touch(set.propertyId());
        return new Changed(view(sets.find(set.id())), before, job);
    }

    /** The sets of a property with the standards of their own, to be taken over by another. */
    @GetMapping(value = "/properties/{propertyId}/sets.json", produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<String> setsFile(@PathVariable long propertyId) {
        clients.property(propertyId);
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_DISPOSITION, "attachment; filename=\"sets.json\"")
                .body(file.write(propertyId));
    }

    record AddedSets(int sets) {}

    /** Adds the sets of such a file; findings follow where they have standards. */
    @PostMapping("/properties/{propertyId}/sets/file")
    AddedSets addSets(@PathVariable long propertyId, @RequestBody JsonNode sets) {
        List<SetsFile.Entry> entries = SetsFile.read(sets);
        file.add(propertyId, entries);
        return new AddedSets(entries.size());
    }

    /** Says in the description of the API what a body holds that is read strictly. */
    @Target(ElementType.PARAMETER)
    @Retention(RetentionPolicy.RUNTIME)
    @io.swagger.v3.oas.annotations.parameters.RequestBody(
            content = @Content(schema = @Schema(implementation = StandardForm.class)))
    @interface StandardBody {}
}
