package lucidsweep.server.gather;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;

/**
 * How a website is crawled.
 *
 * @param mostPages the crawl ends when so many pages are captured
 * @param mostDepth links are followed so far from the start
 * @param connections requests at a time
 * @param delayMs the least time between two requests
 */
public record CrawlSettings(
        @Min(value = 1, message = "is at least 1") @Max(value = 500_000, message = "is at most 500,000")
        int mostPages,

        @Min(value = 0, message = "is at least 0") @Max(value = 100, message = "is at most 100")
        int mostDepth,

        @Min(value = 1, message = "is at least 1") @Max(value = 16, message = "is at most 16")
        int connections,

        @Min(value = 0, message = "is at least 0") @Max(value = 60_000, message = "is at most 60,000")
        int delayMs) {

    /** Gentle enough for a stranger's server. */
    public static final CrawlSettings GENTLE = new CrawlSettings(10_000, 25, 2, 100);
}
