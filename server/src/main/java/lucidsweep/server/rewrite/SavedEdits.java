package lucidsweep.server.rewrite;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import lucidsweep.server.client.Clients;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Refusal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.json.JsonMapper;

/** Bulk edits kept under a name, to be run again on what is new. */
@RestController
@RequestMapping("/api/properties/{propertyId}/edits")
class SavedEdits {

    private final SavedEditMapper mapper;
    private final Clients clients;
    private final Items items;
    private final JsonMapper json;

    SavedEdits(SavedEditMapper mapper, Clients clients, Items items, JsonMapper json) {
        this.mapper = mapper;
        this.clients = clients;
        this.items = items;
        this.json = json;
    }

    /** An edit to keep; one of the same name is replaced. */
    record EditToSave(
            @NotBlank(message = "is needed") @Size(max = 200, message = "has at most 200 characters")
            String name,

            @Valid @NotNull EditSpec spec) {}

    /**
     * A kept edit.
     *
     * @param ran whether it was ever run
     * @param newItems how many items came since it was run last
     */
    record SavedEdit(long id, String name, EditSpec spec, boolean ran, int newItems) {}

    @GetMapping
    List<SavedEdit> edits(@PathVariable long propertyId) {
        clients.property(propertyId);
        return mapper.ofProperty(propertyId).stream()
                .map(line -> new SavedEdit(
                        line.id(),
                        line.name(),
                        json.readValue(line.spec(), EditSpec.class),
                        line.lastItem() > 0,
                        items.countAfter(propertyId, line.lastItem())))
                .toList();
    }

    /** The items that came since an edit was run last; all where it never was. */
    @GetMapping("/{id}/new")
    long[] newItems(@PathVariable long propertyId, @PathVariable long id) {
        return items.idsAfter(propertyId, find(propertyId, id).lastItem());
    }

    private SavedEditMapper.Line find(long propertyId, long id) {
        return mapper.ofProperty(propertyId).stream()
                .filter(line -> line.id() == id)
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("there is no saved edit " + id));
    }

    @PostMapping
    void saveEdit(@PathVariable long propertyId, @Valid @RequestBody EditToSave edit) {
        clients.property(propertyId);
        edit.spec().check();
        mapper.save(propertyId, edit.name().strip(), json.writeValueAsString(edit.spec()));
        clients.touch(propertyId);
    }

    /** Says that an edit was run on what there is: items that come later are new to it. */
    @PostMapping("/{id}/ran")
    void editRan(@PathVariable long propertyId, @PathVariable long id) {
        find(propertyId, id);
        mapper.ran(propertyId, id, items.lastId(propertyId));
        clients.touch(propertyId);
    }

    @DeleteMapping("/{id}")
    void deleteEdit(@PathVariable long propertyId, @PathVariable long id) {
        mapper.delete(propertyId, id);
        clients.touch(propertyId);
    }
}
