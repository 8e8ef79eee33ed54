package lucidsweep.server.item.table;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import java.util.List;
import lucidsweep.core.set.SetConditions;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class ItemSetController {

    private final ItemSets sets;

    ItemSetController(ItemSets sets) {
        this.sets = sets;
    }

    /**
     * A set.
     *
     * @param items how many belong to it now
     * @param ownStandard whether its items are held to something else than the property's
     */
    record SetView(long id, String name, SetConditions conditions, int items, boolean ownStandard) {}

    /** What is asked of a set. */
    record SetForm(@NotNull String name, @Valid @NotNull SetConditions conditions) {}

    private static SetView view(ItemSets.Counted counted) {
        ItemSet set = counted.set();
        return new SetView(set.id(), set.name(), set.conditions(), counted.items(), set.standard() != null);
    }

    @GetMapping("/properties/{propertyId}/sets")
    List<SetView> sets(@PathVariable long propertyId) {
        return sets.counted(propertyId).stream().map(ItemSetController::view).toList();
    }

    @PostMapping("/properties/{propertyId}/sets/preview")
    ItemSets.Preview preview(@PathVariable long propertyId, @Valid @RequestBody SetConditions conditions) {
        return sets.preview(propertyId, conditions);
    }

    @PostMapping("/properties/{propertyId}/sets")
    SetView add(@PathVariable long propertyId, @Valid @RequestBody SetForm form) {
        return view(sets.counted(sets.add(propertyId, form.name(), form.conditions())));
    }

    @PutMapping("/properties/{propertyId}/sets/order")
    void order(@PathVariable long propertyId, @RequestBody List<@NotNull Long> ids) {
        sets.order(propertyId, ids);
    }

    @PutMapping("/sets/{id}")
    SetView change(@PathVariable long id, @Valid @RequestBody SetForm form) {
        return view(sets.counted(sets.change(id, form.name(), form.conditions())));
    }

    @DeleteMapping("/sets/{id}")
    void remove(@PathVariable long id) {
        sets.remove(id);
    }

    @PostMapping("/sets/{id}/restore")
    void restore(@PathVariable long id) {
        sets.restore(id);
    }
}
