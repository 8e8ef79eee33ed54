package lucidsweep.server.gather.crawl;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.List;
import lucidsweep.core.page.PageFacts;

/**
 * Everything a sweep keeps of a page besides its copy and links; stored as JSON.
 *
 * @param blocked whether robots.txt keeps search engines from it
 * @param scripts what its scripts change, where they were run
 */
record CapturedPage(
        @JsonUnwrapped Texts texts,
        @JsonUnwrapped Head head,
        boolean blocked,
        List<PageFacts.Image> images,
        PageFacts.Shared shared,
        List<PageFacts.Alternate> alternates,
        StructuredData structured,
        List<ScriptChange> scripts) {

    /** The texts that stand out in it. */
    record Texts(List<String> titles, List<String> descriptions, List<String> h1s, List<String> headings) {}

    /** What its head says besides. */
    record Head(String canonical, String robots, String metaKeywords, String published, String modified) {}
}
