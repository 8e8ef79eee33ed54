package lucidsweep.server.gather.feeds;

import java.io.IOException;
import java.net.URI;
import lucidsweep.core.column.RowKind;
import lucidsweep.core.page.PageAddress;
import lucidsweep.server.client.Clients;
import lucidsweep.server.client.Property;
import lucidsweep.server.gather.crawl.Login;
import lucidsweep.server.gather.crawl.Logins;
import lucidsweep.server.gather.imports.ImportChoice;
import lucidsweep.server.gather.imports.ImportPlans;
import lucidsweep.server.gather.imports.Uploads;
import lucidsweep.server.job.Jobs;
import lucidsweep.server.job.Progress;
import lucidsweep.server.web.Counted;
import org.springframework.stereotype.Service;
import tools.jackson.databind.json.JsonMapper;

/** Fetches lists over HTTP into files that are then imported like any other. */
@Service
class FeedFetch {

    private final ImportPlans plans;
    private final Uploads uploads;
    private final Clients clients;
    private final Jobs jobs;
    private final Logins logins;
    private final JsonMapper json;

    FeedFetch(ImportPlans plans, Uploads uploads, Clients clients, Jobs jobs, Logins logins, JsonMapper json) {
        this.plans = plans;
        this.uploads = uploads;
        this.clients = clients;
        this.jobs = jobs;
        this.logins = logins;
        this.json = json;
    }

    /** What is being fetched: when the job has ended well, the token names a file that can be looked at. */
    record Fetching(String token, long jobId) {}

    /** Begins to fetch what the feed of a property answers, page by page. */
    Fetching begin(long propertyId) throws IOException {
        Property property = clients.property(propertyId);
        URI address = Feed.checkAddress(property);
        String token = uploads.add();
        long job = jobs.start(
                propertyId,
                "feed",
                "Fetching " + withoutQuery(address),
                progress -> fetch(property, address, token, null, progress).note());
        return new Fetching(token, job);
    }

    /** What was fetched, with its columns as they were guessed. */
    record FetchedList(String token, ImportChoice choice, String note) {}

    /** Fetches a list from an address as rows of a kind. */
    FetchedList fetch(Property property, URI address, RowKind kind, Progress progress)
            throws IOException, InterruptedException {
        return fetch(property, address, uploads.add(), kind, progress);
    }

    private FetchedList fetch(Property property, URI address, String token, RowKind kind, Progress progress)
            throws IOException, InterruptedException {
        try {
            Login login = isOfHost(property, address) ? logins.of(property.id()) : Login.NONE;
            int rows = Feed.read(property, address, login, uploads.file(token), json, progress);
            ImportChoice choice = plans.plan(token, property.id(), withoutQuery(address), kind);
            return new FetchedList(token, choice, Counted.of(rows, "row") + " fetched.");
        } catch (IOException | RuntimeException | InterruptedException e) {
            uploads.remove(token);
            throw e;
        }
    }

    /** An address as it may be told: its query may hold a secret. */
    static String withoutQuery(URI address) {
        String query = address.getRawQuery();
        return query == null ? address.toString() : address.toString().replace("?" + query, "?…");
    }

    /** A login is for the property's own host only. */
    private static boolean isOfHost(Property property, URI address) {
        return PageAddress.of(property.address())
                .filter(own -> own.getAuthority().equals(address.getAuthority()))
                .isPresent();
    }
}
