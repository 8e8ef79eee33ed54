package lucidsweep.standins;

import java.io.IOException;
import java.net.URI;
import java.time.LocalDate;

/**
 * Starts the stand-ins: {@code --port N} for the website, {@code --load ADDRESS} to fill a running application with the
 * demo, {@code --pages N} for a made-up site of that size instead, {@code --today DAY} for
 * a search engine whose time begins on another day.
 */
public final class StandIns {

    private StandIns() {}

    public static void main(String[] args) throws Exception {
        int port = 8421;
        URI application = null;
        int pages = 0;
        LocalDate today = LocalDate.now();
        for (int i = 0; i + 1 < args.length; i += 2) {
            switch (args[i]) {
                case "--port" -> port = Integer.parseInt(args[i + 1]);
                case "--load" -> application = URI.create(args[i + 1]);
                case "--today" -> today = LocalDate.parse(args[i + 1]);
                case "--pages" -> pages = Integer.parseInt(args[i + 1]);
                default -> throw new IllegalArgumentException("there is no option " + args[i]);
            }
        }
        Website website =
                pages > 0 ? Website.ofSize(pages, port) : Website.ofDemo(DemoSite.ofSeed(7, today), port, today);
        Runtime.getRuntime().addShutdownHook(new Thread(website::close));
        System.out.println("The website is at " + website.address());
        if (application != null) load(application, website);
        Thread.currentThread().join();
    }

    private static void load(URI application, Website website) throws InterruptedException {
        try {
            new DemoLoader(application, website.address()).load();
        } catch (IOException | IllegalStateException e) {
            System.out.println("The demo client could not be loaded: "
                    + (e.getMessage() == null ? "the application does not answer" : e.getMessage()));
        }
    }
}
