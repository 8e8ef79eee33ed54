package lucidsweep.server.release.push;

import java.io.IOException;
import java.net.URI;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFileAttributeView;
import java.nio.file.attribute.PosixFileAttributes;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.BooleanSupplier;
import java.util.zip.CRC32C;
import lucidsweep.core.item.Field;
import lucidsweep.core.page.PageAddress;
import lucidsweep.core.page.PageSource;
import lucidsweep.server.gather.crawl.WebEncoding;
import lucidsweep.server.memory.RecentlyUsed;
import lucidsweep.server.web.Refusal;

/**
 * A folder of HTML files whose texts are rewritten in place, everything else byte for byte. A file is written beside the old
 * one and takes its place in one step, so that nobody ever sees half of it.
 */
public final class HtmlFolder implements ContentSystem {

    private static final int LARGEST = 16_000_000;
    private static final int MAX_BYTES_HELD = 48_000_000;

    private final Path folder;

    /** Pages that were read a moment ago and are probably rewritten next, by file and version. */
    private final RecentlyUsed<String, PageSource> pages = new RecentlyUsed<>(MAX_BYTES_HELD, PageSource::size);

    /** @throws Refusal where there is no such folder */
    public HtmlFolder(String path) {
        try {
            folder = Path.of(path).toRealPath();
            if (!Files.isDirectory(folder)) throw Refusal.badInput(path + " is no folder");
        } catch (NoSuchFileException | InvalidPathException e) {
            throw Refusal.badInput("there is no folder " + path);
        } catch (IOException e) {
            throw Refusal.badInput("the folder " + path + " cannot be read");
        }
    }

    @Override
    public Set<Field> fields() {
        return PageSource.FIELDS;
    }

    @Override
    public Present read(String address, BooleanSupplier stopped) throws Denied {
        Path file = file(address);
        byte[] bytes = bytes(file);
        PageSource page = page(bytes);
        Map<Field, String> texts = new EnumMap<>(Field.class);
        for (Field field : fields()) texts.put(field, page.text(field));
        Present present = new Present(folder.relativize(file).toString(), version(bytes), texts);
        pages.put(name(present), page);
        return present;
    }

    @Override
    public Map<Field, String> store(Present present, Map<Field, String> texts, BooleanSupplier stopped)
            throws Denied, ChangedMeanwhile {
        Path file = folder.resolve(present.key());
        byte[] bytes = bytes(file);
        if (!version(bytes).equals(present.version())) throw new ChangedMeanwhile();
        if (!Files.isWritable(file)) throw new Denied(present.key() + " may not be written to");
        byte[] changed;
        try {
            PageSource held = pages.get(name(present));
            pages.remove(name(present));
            changed = (held == null ? page(bytes) : held).with(texts);
        } catch (PageSource.Unwritable e) {
            throw new Denied(e.getMessage());
        }
        try {
            if (!Arrays.equals(bytes, changed)) replace(file, changed);
            return Map.of();
        } catch (IOException e) {
            throw new Denied(present.key() + " cannot be written: " + e.getMessage());
        }
    }

    private static String name(Present present) {
        return present.key() + " " + present.version();
    }

    private static void replace(Path file, byte[] bytes) throws IOException {
        Path beside = Files.createTempFile(file.getParent(), ".lucid-", ".part");
        try {
            Files.write(beside, bytes);
            copyAttributes(file, beside);
            Files.move(beside, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(beside);
        }
    }

    /** Whose it is and who may read it stays; only root may give it to somebody else. */
    private static void copyAttributes(Path from, Path to) throws IOException {
        PosixFileAttributeView view = Files.getFileAttributeView(to, PosixFileAttributeView.class);
        if (view == null) return;
        PosixFileAttributes attributes = Files.readAttributes(from, PosixFileAttributes.class);
        view.setPermissions(attributes.permissions());
        PosixFileAttributes now = Files.readAttributes(to, PosixFileAttributes.class);
        if (!now.owner().equals(attributes.owner())) view.setOwner(attributes.owner());
        if (!now.group().equals(attributes.group())) view.setGroup(attributes.group());
    }

    private static PageSource page(byte[] bytes) throws Denied {
        try {
            return PageSource.of(bytes, Charset.forName(WebEncoding.ofFile(bytes)));
        } catch (PageSource.Unwritable e) {
            throw new Denied(e.getMessage());
        }
    }

    private static byte[] bytes(Path file) throws Denied {
        try {
            long size = Files.size(file);
            if (size > LARGEST) {
                throw new Denied(String.format(
                        Locale.UK,
                        "%s has %,d MB, and at most %,d are rewritten",
                        file.getFileName(),
                        size / 1_000_000,
                        LARGEST / 1_000_000));
            }
            return Files.readAllBytes(file);
        } catch (IOException e) {
            throw new Denied(file.getFileName() + " cannot be read");
        }
    }

    private static String version(byte[] bytes) {
        CRC32C sum = new CRC32C();
        sum.update(bytes);
        return bytes.length + "-" + sum.getValue();
    }

    /** The file that a web server would send for an address. */
    private Path file(String address) throws Denied {
        if (address.indexOf('?') >= 0) throw new Denied("an address with parameters has no file of its own");
        String path = PageAddress.of(address).map(URI::getPath).orElse(address).replaceFirst("^/+", "");
        List<String> names = path.isEmpty() || path.endsWith("/")
                ? List.of(path + "index.html", path + "index.htm", path + "index.xhtml")
                : List.of(path, path + ".html", path + "/index.html");
        for (String name : names) {
            try {
                Path file = folder.resolve(name);
                if (!Files.isRegularFile(file)) continue;
                Path real = file.toRealPath();
                if (real.startsWith(folder)) return real;
                throw new Denied("the file of this address lies outside of the folder");
            } catch (InvalidPathException | IOException e) {
                throw new Denied("no file can have the name of this address");
            }
        }
        throw new Denied("the folder has no file for this address");
    }
}
