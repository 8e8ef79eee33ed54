package lucidsweep.server.portfolio;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import lucidsweep.core.item.DraftState;
import lucidsweep.server.aim.keywords.Keywords;
import lucidsweep.server.aim.reviews.Reviews;
import lucidsweep.server.client.Client;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.schedule.Schedules;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.watch.effect.Effects;
import org.springframework.stereotype.Service;

/** Gathers where properties stand, with one question for all of them where the database is asked. */
@Service
class Standings {

    private final Clients clients;
    private final Items items;
    private final Keywords keywords;
    private final SweepStore sweeps;
    private final Schedules schedules;
    private final Reviews reviews;
    private final Effects effects;

    Standings(
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

    List<Standing> of(List<Property> properties) {
        Map<Long, Client> byId = clients.clients().stream().collect(Collectors.toMap(Client::id, Function.identity()));
        List<Long> ids = properties.stream().map(Property::id).toList();
        Map<Long, Long> keywordCounts = keywords.counts(ids);
        Map<Long, Integer> due = reviews.due(ids);
        Map<Long, Instant> swept = sweeps.lastEnded(ids);
        Map<Long, LocalDate> planned = schedules.nextDays(ids);
        return properties.stream()
                .map(property -> {
                    Items.Counts counts = items.counts(property.id());
                    Client client = byId.get(property.clientId());
                    return new Standing(
                            property,
                            client == null ? clients.client(property.clientId()).name() : client.name(),
                            counts.items(),
                            counts.indexable(),
                            keywordCounts.getOrDefault(property.id(), 0L),
                            counts.aimed(),
                            due.getOrDefault(property.id(), 0),
                            counts.withFindings(),
                            counts.stake(),
                            drafts(counts, effects.improvedAsKnown(property.id())),
                            swept.get(property.id()),
                            planned.get(property.id()));
                })
                .toList();
    }

    private static Standing.Drafts drafts(Items.Counts counts, int improved) {
        return new Standing.Drafts(
                drafts(counts, DraftState.DRAFTED),
                drafts(counts, DraftState.SENT_BACK),
                drafts(counts, DraftState.APPROVED),
                drafts(counts, DraftState.DELIVERED) + drafts(counts, DraftState.LIVE),
                drafts(counts, DraftState.LIVE),
                improved,
                counts.draftedFields());
    }

    private static int drafts(Items.Counts counts, DraftState state) {
        return counts.drafts().getOrDefault(state, 0);
    }
}
