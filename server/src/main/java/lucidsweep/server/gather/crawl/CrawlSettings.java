package lucidsweep.server.gather.crawl;

import com.fasterxml.jackson.annotation.JsonAlias;
import com.fasterxml.jackson.annotation.JsonUnwrapped;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import lucidsweep.core.page.AddressPattern;
import lucidsweep.core.page.AddressScope;
import lucidsweep.core.page.QueryRule;
import lucidsweep.server.web.Refusal;

/**
 * How a website is crawled. What is not said is null. Settings that were stored by earlier versions say most… for max….
 *
 * @param reach where addresses come from; by links and sitemaps where null
 * @param addresses those to look at where they come from a list
 * @param pastRobots whether to look at what robots.txt and nofollow keep others from, and mark it
 * @param agent the name that it introduces itself with; our own where null or blank
 * @param scripts whether the scripts of pages are run in a browser before they are read
 * @param keepsSource whether the markup of pages is kept as it came
 */
public record CrawlSettings(
        @JsonUnwrapped @Valid Limits limits,
        Reach reach,

        @Size(max = LONGEST_LIST, message = "are at most 20,000")
        List<String> addresses,

        @JsonUnwrapped @Valid Within within,
        boolean pastRobots,

        @Pattern(regexp = "\\s*[A-Za-z_-]{0,60}\\s*", message = "is made of letters, - and _")
        String agent,

        boolean scripts,
        boolean keepsSource) {

    /**
     * How far it goes and how fast.
     *
     * @param maxPages the crawl ends when so many pages are captured
     * @param maxDepth links are followed so far from the start
     * @param connections requests at a time
     * @param delayMs the least time between two requests
     * @param maxMinutes the crawl ends after so long; 0 where it may take what it takes
     * @param maxMegabytes the crawl ends when so much was received; 0 for any amount
     */
    public record Limits(
            @JsonAlias("mostPages")
            @Min(value = 1, message = "is at least 1")
            @Max(value = 500_000, message = "is at most 500,000")
            int maxPages,

            @JsonAlias("mostDepth")
            @Min(value = 0, message = "is at least 0")
            @Max(value = 100, message = "is at most 100")
            int maxDepth,

            @Min(value = 1, message = "is at least 1") @Max(value = 16, message = "is at most 16")
            int connections,

            @Min(value = 0, message = "is at least 0") @Max(value = 60_000, message = "is at most 60,000")
            int delayMs,

            @JsonAlias("mostMinutes")
            @Min(value = 0, message = "is at least 0")
            @Max(value = 10_000, message = "is at most 10,000")
            int maxMinutes,

            @JsonAlias("mostMegabytes")
            @Min(value = 0, message = "is at least 0")
            @Max(value = 1_000_000, message = "is at most 1,000,000")
            int maxMegabytes) {}

    /**
     * Which addresses belong to it.
     *
     * @param include only addresses that fit one of these patterns, if there are any
     * @param exclude no addresses that fit one of these
     * @param subdomains whether hosts below the start's belong to it
     * @param query what is done with parameters; they stay where null
     * @param withoutParameters parameters that are taken off
     */
    public record Within(
            @Size(max = 100, message = "are at most 100") List<String> include,

            @Size(max = 100, message = "are at most 100") List<String> exclude,

            boolean subdomains,
            QueryRule.Handling query,

            @Size(max = 100, message = "are at most 100") List<String> withoutParameters) {

        static final Within ALL = new Within(null, null, false, null, null);

        public Within {
            query = query == null ? QueryRule.Handling.KEEP : query;
            include = listed(include);
            exclude = listed(exclude);
            withoutParameters = listed(withoutParameters);
        }
    }

    /** So many addresses can be in a list. */
    public static final int LONGEST_LIST = 20_000;

    /** Where the addresses of a crawl come from. */
    public enum Reach {
        LINKS,
        SITEMAPS,
        LIST
    }

    /** Gentle enough for a stranger's server. */
    public static final CrawlSettings GENTLE = of(10_000, 25, 2, 100);

    public CrawlSettings {
        reach = reach == null ? Reach.LINKS : reach;
        within = within == null ? Within.ALL : within;
        addresses = listed(addresses);
    }

    /** A crawl of everything that the start leads to. */
    public static CrawlSettings of(int maxPages, int maxDepth, int connections, int delayMs) {
        Limits limits = new Limits(maxPages, maxDepth, connections, delayMs, 0, 0);
        return new CrawlSettings(limits, null, null, null, false, null, false, false);
    }

    /** The same with patterns of what it looks at. */
    public CrawlSettings within(List<String> include, List<String> exclude) {
        Within some = new Within(include, exclude, within.subdomains, within.query, within.withoutParameters);
        return new CrawlSettings(limits, reach, addresses, some, pastRobots, agent, scripts, keepsSource);
    }

    /** A crawl that looks at some addresses only. */
    CrawlSettings only(List<String> addresses) {
        int connections = addresses.size() == 1 ? 1 : limits.connections;
        return new CrawlSettings(
                new Limits(addresses.size(), 0, connections, limits.delayMs, 0, 0),
                Reach.LIST,
                addresses,
                new Within(null, null, within.subdomains, within.query, within.withoutParameters),
                pastRobots,
                agent,
                scripts,
                keepsSource);
    }

    /**
     * The addresses that it looks at.
     *
     * @throws Refusal where a pattern cannot be used
     */
    public AddressScope scope() {
        return new AddressScope(
                patterns(within.include),
                patterns(within.exclude),
                within.subdomains,
                new QueryRule(within.query, Set.copyOf(within.withoutParameters)));
    }

    /** Who asks. */
    Agent introduced() {
        return Agent.named(agent);
    }

    /** Whether it looks at everything there is, so that what it does not see is gone. */
    boolean isWhole() {
        return reach == Reach.LINKS && within.include.isEmpty() && within.exclude.isEmpty();
    }

    private static List<AddressPattern> patterns(List<String> written) {
        try {
            return written.stream().map(AddressPattern::of).toList();
        } catch (IllegalArgumentException e) {
            throw Refusal.badInput(e.getMessage());
        }
    }

    private static List<String> listed(List<String> given) {
        return given == null
                ? List.of()
                : given.stream()
                        .map(String::strip)
                        .filter(line -> !line.isEmpty())
                        .toList();
    }
}
