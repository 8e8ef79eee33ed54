package lucidsweep.standins;

import java.io.IOException;
import java.time.YearMonth;

/** What somebody did in the demo before: drafts in every state, texts that are kept, a delivery, sets, lists with something due. */
final class DemoWork {

    private static final String ENDING = " | Tarrin Bay Kayaks: hire, tours and lessons";

    private final DemoLoader api;
    private final String site;
    private final String shop;

    DemoWork(DemoLoader api, long site, long shop) {
        this.api = api;
        this.site = "/api/properties/" + site;
        this.shop = "/api/properties/" + shop;
    }

    void doIt() throws IOException, InterruptedException {
        shortenTourTitles();
        tagTheShop();
        pushTags();
        writeBlocks();
        String journal = ids(site, "section=%2Fjournal%2F&field=title&check=too-long&count=3");
        post(
                site,
                "/keeps",
                "{\"selection\":{\"ids\":%s},\"fields\":[\"title\"],\"reason\":\"The client wants the long headline.\"}"
                        .formatted(journal));
        post(site, "/sets", set("Journal", "\"addresses\":[\"/journal/*\"]"));
        post(
                site,
                "/sets",
                set("Pages to book", "\"sections\":[\"/tours/\",\"/lessons/\",\"/hire/\"],\"indexable\":true"));
        post(shop, "/sets", set("Gifts under 40", "\"tag\":\"kayak gift\",\"price\":{\"max\":40}"));
        YearMonth now = YearMonth.now();
        putOnList("Spring campaign", now, "sunrise");
        putOnList("Before the summer", now.plusMonths(5), "lessons");
    }

    /** Two batches: the first is delivered in part, the second waits to be looked at. */
    private void shortenTourTitles() throws IOException, InterruptedException {
        String spec = "\"spec\":{\"tool\":\"remove-ending\",\"field\":\"title\",\"find\":\"" + ENDING + "\"}}";
        String tours = "section=%2Ftours%2F&field=title&check=common-ending";
        String first = ids(site, tours + "&count=24");
        post(site, "/batches", "{\"selection\":{\"ids\":" + first + "}," + spec);
        decide(ids(site, "section=%2Ftours%2F&state=drafted&count=10"), "approved");
        post(
                site,
                "/handovers",
                "{\"format\":\"csv\",\"name\":\"Tour titles\",\"reason\":\"The long ending was cut off in every result.\"}");
        decide(ids(site, "section=%2Ftours%2F&state=drafted&count=5"), "approved");
        decide(ids(site, "section=%2Ftours%2F&state=drafted&count=3"), "sent-back");
        post(site, "/batches", "{\"selection\":{\"ids\":" + ids(site, tours + "&count=6") + "}," + spec);
    }

    /** A release of the shop's tags, of which a few are pushed. */
    private void pushTags() throws IOException, InterruptedException {
        post(shop, "/decisions", "{\"selection\":{},\"state\":\"approved\"}");
        String release = api.post(shop + "/pushes", "{\"name\":\"Tags for autumn\"}");
        String push = "/api/pushes/" + DemoLoader.number(release, "id");
        api.awaitJob(DemoLoader.number(api.post(push + "/runs", "{\"few\":5}"), "jobId"));
    }

    private void tagTheShop() throws IOException, InterruptedException {
        post(
                shop,
                "/batches",
                "{\"selection\":{\"ids\":" + ids(shop, "field=tags&check=missing&count=8")
                        + "},\"spec\":{\"tool\":\"add-tags\",\"field\":\"tags\",\"tags\":[\"kayak gift\",\"boat lover gift\",\"hand carved wood\"]}}");
    }

    /** Blocks that every description of the shop could end with; nobody has put them there yet. */
    private void writeBlocks() throws IOException, InterruptedException {
        post(
                shop,
                "/blocks",
                block("Postage", "ABOUT", "Sent from the boat shed within two days.\\nGifts from {price}.", 0));
        post(
                shop,
                "/blocks",
                block("The shed", "STORY", "{client} has built wooden boats on the slip at Marsh Quay since 1987.", 1));
    }

    private static String block(String name, String kind, String text, int place) {
        return "{\"id\":0,\"name\":\"%s\",\"kind\":\"%s\",\"language\":\"\",\"text\":\"%s\",\"place\":%d}"
                .formatted(name, kind, text, place);
    }

    private void decide(String ids, String state) throws IOException, InterruptedException {
        post(site, "/decisions", "{\"selection\":{\"ids\":" + ids + "},\"state\":\"" + state + "\"}");
    }

    private void putOnList(String list, YearMonth month, String words) throws IOException, InterruptedException {
        post(
                site,
                "/reviews/keywords",
                "{\"list\":\"%s\",\"month\":\"%s\",\"selection\":{\"filter\":{\"q\":\"%s\"}}}"
                        .formatted(list, month, words));
    }

    private static String set(String name, String conditions) {
        return "{\"name\":\"" + name + "\",\"conditions\":{" + conditions + "}}";
    }

    /** The ids of some items, as a JSON array. */
    private String ids(String property, String filter) throws IOException, InterruptedException {
        return api.get(property + "/items/ids?" + filter);
    }

    private void post(String property, String path, String json) throws IOException, InterruptedException {
        api.post(property + path, json);
    }
}
