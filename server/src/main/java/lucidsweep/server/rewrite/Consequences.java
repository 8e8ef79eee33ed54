package lucidsweep.server.rewrite;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import lucidsweep.core.demand.DemandTally;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.Noindex;
import lucidsweep.server.aim.demand.Demands;
import lucidsweep.server.gather.sweep.Sweep;
import lucidsweep.server.gather.sweep.SweepStore;
import lucidsweep.server.gather.sweep.Visits;
import lucidsweep.server.item.draft.Indexing;
import lucidsweep.server.item.table.ItemDetail;
import lucidsweep.server.item.table.Items;
import lucidsweep.server.web.Counted;
import org.springframework.stereotype.Service;

/** What follows where pages get another address or leave the index: links that would have to change, searches that are lost. */
@Service
class Consequences {

    private final Items items;
    private final Demands demands;
    private final SweepStore sweeps;
    private final Visits visits;

    Consequences(Items items, Demands demands, SweepStore sweeps, Visits visits) {
        this.items = items;
        this.demands = demands;
        this.sweeps = sweeps;
        this.visits = visits;
    }

    /** Whether a change of a field has any that could be told. */
    static boolean areOf(Field field) {
        return field == Field.SLUG || field == Field.INDEXING;
    }

    /** Begins to add up what follows from changes of slugs or of indexing. */
    Sum sum(long propertyId, Field field) {
        return new Sum(propertyId, field);
    }

    /** What follows from the changes of some pages. */
    final class Sum {
        private final long propertyId;
        private final Field field;
        private final Set<Long> inSitemap;
        private final Map<Long, DemandTally.Sum> reported;
        private int pages;
        private int links;
        private int listed;
        private long clicks;
        private long impressions;
        private int leaving;
        private int outAllTheSame;

        private Sum(long propertyId, Field field) {
            this.propertyId = propertyId;
            this.field = field;
            boolean indexing = field == Field.INDEXING;
            inSitemap = indexing ? inSitemap() : Set.of();
            reported = indexing ? demands.sumsOfItems(propertyId) : Map.of();
        }

        private Set<Long> inSitemap() {
            return sweeps.ofKind(propertyId, Sweep.Kind.CRAWL).stream()
                    .filter(sweep -> sweep.state() == Sweep.State.DONE && !sweep.ofItems())
                    .findFirst()
                    .map(sweep -> visits.inSitemap(sweep.id()))
                    .orElse(Set.of());
        }

        /** Adds pages whose field would change. @param after the new texts, by item */
        void add(Map<Long, String> after) {
            long[] ids =
                    after.keySet().stream().mapToLong(Long::longValue).sorted().toArray();
            for (ItemDetail item : items.detailsInSite(propertyId, ids)) add(item, after.get(item.id()));
        }

        private void add(ItemDetail item, String after) {
            pages++;
            links += item.inbound().links();
            if (field == Field.SLUG) return;
            if (Indexing.ON.equals(after)) {
                if (item.noindex() != null && item.noindex().reason() != Noindex.Reason.NOINDEX) outAllTheSame++;
                return;
            }
            leaving++;
            if (inSitemap.contains(item.id())) listed++;
            DemandTally.Sum sum = reported.get(item.id());
            if (sum == null) return;
            clicks += sum.clicks();
            impressions += sum.impressions();
        }

        /** In words; "" where nothing follows. */
        String says() {
            if (pages == 0) return "";
            return field == Field.SLUG ? ofSlugs() : ofIndexing();
        }

        private String ofSlugs() {
            String page = pages == 1 ? "this page" : "these pages";
            if (links == 0) return "No internal link leads to " + page + ".";
            return Counted.of(links, "internal link") + (links == 1 ? " leads to " : " lead to ") + page
                    + " by the old address and " + (links == 1 ? "has" : "have")
                    + " to change; until then a redirect leads on.";
        }

        private String ofIndexing() {
            List<String> says = new ArrayList<>();
            if (leaving > 0) {
                String page = leaving == 1 ? "This page" : "These " + Counted.of(leaving, "page");
                says.add(
                        impressions == 0
                                ? page + " had no impressions in the last thirteen weeks."
                                : page + " had " + Counted.of(clicks, "click") + " and "
                                        + Counted.of(impressions, "impression") + " in the last thirteen weeks.");
                if (links > 0) says.add("Internal links to " + (leaving == 1 ? "it" : "them") + ": " + links + ".");
                if (listed > 0)
                    says.add("The sitemap says otherwise: it lists " + (leaving == 1 ? "it" : listed) + ".");
            }
            if (outAllTheSame > 0) {
                says.add(Counted.of(outAllTheSame, "page")
                        + (outAllTheSame == 1 ? " stays" : " stay")
                        + " out of the index all the same: the status, a canonical or robots.txt says so.");
            }
            return String.join(" ", says);
        }
    }
}
