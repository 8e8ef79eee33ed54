package lucidsweep.server.table;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.URI;
import java.nio.file.Path;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageFacts;
import lucidsweep.core.page.PageReader;
import lucidsweep.server.web.Refusal;
import org.jsoup.Jsoup;

/**
 * A ZIP of saved pages, one row a page. Its address is the one the page gives as canonical, else its place in the archive.
 * Nothing is unpacked to disk.
 */
final class SavedPages implements TableFormat {

    private static final List<String> COLUMNS =
            List.of("address", "title", "description", "published", "h1", "language", "file");
    private static final int MAX_BYTES = 5_000_000;

    /** Links of a page whose address is not known lead from here. */
    private static final URI NOWHERE = URI.create("http://saved.invalid/");

    private final Path file;

    SavedPages(Path file) {
        this.file = file;
    }

    @Override
    public String encoding() {
        return NONE;
    }

    @Override
    public char delimiter() {
        return 0;
    }

    @Override
    public void read(RowReader reader) {
        boolean any = false;
        long number = 1;
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (ZipEntry entry : Collections.list(zip.entries())) {
                String name = entry.getName();
                if (entry.isDirectory() || !isPage(name)) continue;
                if (!any) reader.row(1, COLUMNS);
                any = true;
                number++;
                if (climbs(name)) {
                    reader.unreadable(number, "the name of the file leads out of the archive: " + name);
                    continue;
                }
                List<String> row;
                try (InputStream in = zip.getInputStream(entry)) {
                    row = row(name, in.readNBytes(MAX_BYTES));
                } catch (IOException | RuntimeException | StackOverflowError e) {
                    reader.unreadable(number, name + " cannot be read: " + e.getMessage());
                    continue;
                }
                reader.row(number, row);
            }
        } catch (IOException e) {
            reader.unreadable(number + 1, "the rest of the archive cannot be read: " + e.getMessage());
        }
        if (!any) throw Refusal.badInput("there is no spreadsheet in this archive and no page (.html)");
    }

    private static List<String> row(String name, byte[] body) throws IOException {
        PageFacts facts =
                PageReader.read(Jsoup.parse(new ByteArrayInputStream(body), null, NOWHERE.toString()), NOWHERE);
        Optional<String> canonical = PageAddress.of(facts.head().canonical()).map(URI::toString);
        return List.of(
                canonical.orElse(name),
                first(facts.titles()),
                first(facts.descriptions()),
                facts.head().published(),
                first(facts.h1s()),
                facts.head().language(),
                name);
    }

    private static String first(List<String> texts) {
        return texts.isEmpty() ? "" : texts.get(0);
    }

    private static boolean isPage(String name) {
        String lower = name.toLowerCase(Locale.ROOT);
        return lower.endsWith(".html") || lower.endsWith(".htm") || lower.endsWith(".xhtml");
    }

    private static boolean climbs(String name) {
        return name.startsWith("/")
                || name.contains("\\")
                || List.of(name.split("/")).contains("..");
    }
}
