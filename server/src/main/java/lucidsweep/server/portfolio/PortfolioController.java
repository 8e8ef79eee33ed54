package lucidsweep.server.portfolio;

import java.util.List;
import lucidsweep.server.aim.Aims;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.Sweeps;
import lucidsweep.server.item.Drafts;
import lucidsweep.server.item.Items;
import lucidsweep.server.triage.Findings;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class PortfolioController {

    private final Clients clients;
    private final Items items;
    private final Aims aims;
    private final Findings findings;
    private final Drafts drafts;
    private final Sweeps sweeps;

    PortfolioController(Clients clients, Items items, Aims aims, Findings findings, Drafts drafts, Sweeps sweeps) {
        this.clients = clients;
        this.items = items;
        this.aims = aims;
        this.findings = findings;
        this.drafts = drafts;
        this.sweeps = sweeps;
    }

    @GetMapping("/portfolio")
    List<Standing> portfolio() {
        return clients.properties().stream().map(this::standing).toList();
    }

    @GetMapping("/properties/{id}/standing")
    Standing standing(@PathVariable long id) {
        return standing(clients.property(id));
    }

    private Standing standing(Property property) {
        Client client = clients.client(property.clientId());
        Items.Counts counts = items.counts(property.id());
        return new Standing(
                property,
                client.name(),
                counts.items(),
                counts.indexable(),
                aims.keywordCount(property.id()),
                counts.aimed(),
                findings.flawedItems(property.id()),
                drafts.count(property.id(), "drafted"),
                drafts.count(property.id(), "sent-back"),
                drafts.count(property.id(), "approved"),
                drafts.count(property.id(), "handed-over"),
                drafts.draftedFields(property.id()),
                sweeps.lastEnded(property.id()));
    }
}
