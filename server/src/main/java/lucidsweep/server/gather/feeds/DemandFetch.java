package lucidsweep.server.gather.feeds;

import java.net.URI;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.imports.ImportPlans;
import lucidsweep.server.gather.imports.Imports;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.web.Refusal;
import org.springframework.stereotype.Service;

/** Fetches what a reporting service answers over HTTP and takes it in as a file of demand is. */
@Service
class DemandFetch {

    private final DemandSourceMapper mapper;
    private final FeedFetch feeds;
    private final ImportPlans plans;
    private final Imports imports;
    private final Clients clients;
    private final Jobs jobs;

    DemandFetch(
            DemandSourceMapper mapper,
            FeedFetch feeds,
            ImportPlans plans,
            Imports imports,
            Clients clients,
            Jobs jobs) {
        this.mapper = mapper;
        this.feeds = feeds;
        this.plans = plans;
        this.imports = imports;
        this.clients = clients;
        this.jobs = jobs;
    }

    /** Where the demand of a property was fetched from the last time; "" where it never was. */
    String source(long propertyId) {
        String address = mapper.demandSource(propertyId);
        return address == null ? "" : address;
    }

    /** Begins to fetch; when the job has ended well, an import of what came is under way. Returns the job. */
    long begin(long propertyId, String given) {
        Property property = clients.property(propertyId);
        URI address = PageAddress.of(given)
                .orElseThrow(() -> Refusal.badInput(
                        "expected the address of a reporting service such as https://reports.example/demand, got \""
                                + given + "\""));
        mapper.setDemandSource(propertyId, address.toString());
        return jobs.start(propertyId, "feed", "Fetching demand from " + FeedFetch.withoutQuery(address), progress -> {
            FeedFetch.FetchedList fetched = feeds.fetch(property, address, RowKind.DEMAND, progress);
            try {
                imports.apply(fetched.token(), fetched.choice());
            } catch (RuntimeException e) {
                plans.drop(fetched.token());
                throw e;
            }
            return fetched.note();
        });
    }
}
