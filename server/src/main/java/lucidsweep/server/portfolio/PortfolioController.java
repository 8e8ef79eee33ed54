package lucidsweep.server.portfolio;

import java.util.List;
import lucidsweep.core.item.DraftState;
import lucidsweep.server.aim.keywords.Keywords;
import lucidsweep.server.aim.reviews.Reviews;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.schedule.Schedule;
import lucidsweep.server.gather.schedule.Schedules;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.watch.effect.Effects;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api")
class PortfolioController {

    private final Clients clients;
    private final Items items;
    private final Keywords keywords;
    private final SweepStore sweeps;
    private final Schedules schedules;
    private final Reviews reviews;
    private final Effects effects;

    PortfolioController(
            Clients clients,
            Items items,
            Keywords keywords,
            SweepStore sweeps,
            Schedules schedules,
            Reviews reviews,
            Effects effects) {
        this.clients = clients;
        this.items = items;
        this.keywords = keywords;
        this.sweeps = sweeps;
        this.schedules = schedules;
        this.reviews = reviews;
        this.effects = effects;
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
                keywords.count(property.id()),
                counts.aimed(),
                reviews.due(property.id()),
                counts.withFindings(),
                counts.stake(),
                new Standing.Drafts(
                        drafts(counts, DraftState.DRAFTED),
                        drafts(counts, DraftState.SENT_BACK),
                        drafts(counts, DraftState.APPROVED),
                        drafts(counts, DraftState.DELIVERED) + drafts(counts, DraftState.LIVE),
                        drafts(counts, DraftState.LIVE),
                        effects.improvedAsKnown(property.id()),
                        counts.draftedFields()),
                sweeps.lastEnded(property.id()).orElse(null),
                schedules.of(property.id()).map(Schedule::nextDay).orElse(null));
    }

    private static int drafts(Items.Counts counts, DraftState state) {
        return counts.drafts().getOrDefault(state, 0);
    }
}
