package lucidsweep.server.gather.crawl;

import crawlercommons.sitemaps.AbstractSiteMap;
import crawlercommons.sitemaps.SiteMap;
import crawlercommons.sitemaps.SiteMapIndex;
import crawlercommons.sitemaps.SiteMapParser;
import crawlercommons.sitemaps.UnknownFormatException;
import java.io.IOException;
import java.net.URI;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Predicate;

/** Reads a site's sitemaps, index by index. */
final class Sitemaps {

    private static final int MAX_FILES = 200;

    private final Fetcher fetcher;
    private final Predicate<URI> mayAsk;

    Sitemaps(Fetcher fetcher, Predicate<URI> mayAsk) {
        this.fetcher = fetcher;
        this.mayAsk = mayAsk;
    }

    /** The addresses that the sitemaps list, at most so many; files that cannot be read are passed over. */
    List<String> addresses(List<URI> files, int max) throws InterruptedException {
        Deque<URI> waiting = new ArrayDeque<>(files);
        Set<URI> seen = new HashSet<>(files);
        List<String> found = new ArrayList<>();
        for (int read = 0; read < MAX_FILES && !waiting.isEmpty() && found.size() < max; read++) {
            AbstractSiteMap map = read(waiting.poll());
            if (map instanceof SiteMapIndex index) {
                for (AbstractSiteMap each : index.getSitemaps()) {
                    URI file = URI.create(each.getUrl().toString());
                    if (mayAsk.test(file) && seen.add(file)) waiting.add(file);
                }
            } else if (map instanceof SiteMap list) {
                list.getSiteMapUrls().stream()
                        .limit(max - found.size())
                        .forEach(entry -> found.add(entry.getUrl().toString()));
            }
        }
        return found;
    }

    private AbstractSiteMap read(URI file) throws InterruptedException {
        try {
            Fetched answer = fetcher.get(file);
            if (answer.status() != 200) return null;
            return new SiteMapParser(false).parseSiteMap(answer.body(), file.toURL());
        } catch (Fetcher.Unreachable | UnknownFormatException | IOException | IllegalArgumentException e) {
            return null;
        }
    }
}
