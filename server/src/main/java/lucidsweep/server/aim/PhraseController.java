package lucidsweep.server.aim;

import java.util.List;
import lucidsweep.core.keyword.PhraseCounts;
import lucidsweep.core.keyword.Words;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.item.ItemDetail;
import lucidsweep.server.item.Items;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/items/{id}")
class PhraseController {

    private final Items items;
    private final Clients clients;
    private final Aimings aimings;

    PhraseController(Items items, Clients clients, Aimings aimings) {
        this.items = items;
        this.clients = clients;
        this.aimings = aimings;
    }

    /** The phrases of one, two and three words of an item, as it was captured; those of each length the most frequent first. */
    @GetMapping("/phrases")
    List<PhraseCounts.PhraseCount> phrases(@PathVariable long id) {
        Property property = clients.property(items.propertyOf(id));
        ItemDetail item = items.detailWithCapture(id);
        String target = item.keyword() == null ? "" : item.keyword();
        return PhraseCounts.of(aimings.texts(item), target, Words.in(property.language()));
    }
}
