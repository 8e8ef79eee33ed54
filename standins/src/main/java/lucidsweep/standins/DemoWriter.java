package lucidsweep.standins;

import java.io.IOException;
import java.net.URI;

/** What the writer was asked in the demo: titles, descriptions and outlines of some pages, by a service that has its troubles. */
final class DemoWriter {

    private static final String INPUTS = "[\"TITLE\",\"H1\",\"COPY\",\"DESCRIPTION\",\"KEYWORD\",\"INTENT\"]";

    private final DemoLoader api;
    private final String site;

    DemoWriter(DemoLoader api, long site) {
        this.api = api;
        this.site = "/api/properties/" + site;
    }

    void write(URI service) throws IOException, InterruptedException {
        api.send("PUT", "/api/writer/service", """
                {"address":"%s","model":"troubled","key":"%s","hasKey":false,"privateAllowed":true,"parallel":4,
                 "inputPrice":2.5,"outputPrice":10,"currency":"GBP"}""".formatted(service, TextService.KEY));
        column("Title", "\"title\"", "Write a title for this page. Begin with the keyword if it reads well.", 0);
        column(
                "Description",
                "\"description\"",
                "Write a description for this page that makes a searcher want to read on.",
                0);
        column("Outline", "null", "Give an outline of what this page should say, one point a line.", 800);
        String pages = api.get(site + "/items/ids?section=%2Fhire%2F&count=24");
        String columns = "[1,2]";
        String begun = api.post(
                site + "/writer/runs", "{\"selection\":{\"ids\":" + pages + "},\"columnIds\":" + columns + "}");
        api.awaitJob(DemoLoader.number(begun, "jobId"));
    }

    private void column(String name, String makes, String words, int maxChars)
            throws IOException, InterruptedException {
        api.post(
                site + "/writer/columns",
                "{\"id\":0,\"name\":\"%s\",\"makes\":%s,\"words\":\"%s\",\"inputs\":%s,\"after\":[],\"maxChars\":%d}"
                        .formatted(name, makes, words, INPUTS, maxChars));
    }
}
