package lucidsweep.server.item.table;

import jakarta.annotation.Nullable;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.MappedByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Stream;
import java.util.zip.CRC32C;
import java.util.zip.CheckedOutputStream;
import lucidsweep.core.item.DraftState;
import lucidsweep.core.item.Field;
import lucidsweep.server.database.DiskSpace;
import lucidsweep.server.item.draft.FieldId;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Keeps tables on the disk while the application is stopped, or while other work needs their memory: that of 500,000 items
 * takes many seconds to be read from the database, and a fraction of one to be read as it was. A file counts until its property
 * changes. At a stop, when nobody changes anything any more, the tokens of those files are written to the database; a start
 * takes them out, so that there are none after a kill.
 */
@Component
final class KeptTables {

    private static final Logger LOG = LoggerFactory.getLogger(KeptTables.class);

    /** To be counted up when tables are written otherwise, or mean something else by what they hold. */
    private static final int FORMAT = 1;

    private static final String ENDING = ".table";
    private static final String UNFINISHED = ".part";

    /** What is larger cannot be looked at as one piece. */
    private static final long MAX_BYTES = 1L << 30;

    private final KeptTableMapper mapper;
    private final TransactionTemplate transaction;
    private final DiskSpace disk;
    private final Path folder;

    /** The tokens of tables that have not changed since they were written. */
    private final Map<Long, String> tokens = new ConcurrentHashMap<>();

    KeptTables(
            KeptTableMapper mapper,
            TransactionTemplate transaction,
            DiskSpace disk,
            @Value("${lucid.data}") Path data) {
        this.mapper = mapper;
        this.transaction = transaction;
        this.disk = disk;
        folder = data.resolve("tables");
        mapper.all().forEach(kept -> tokens.put(kept.propertyId(), kept.token()));
        mapper.clear();
        makeFolder();
        deleteOthers();
    }

    /** Whether the table of a property is on the disk as it is now. */
    boolean has(long propertyId) {
        return tokens.containsKey(propertyId);
    }

    /** The table of a property as it was put on the disk; null where there is none, or where it has changed since. */
    @Nullable
    ItemTable read(long propertyId) {
        String token = tokens.get(propertyId);
        if (token == null) return null;
        try {
            return read(file(propertyId), token);
        } catch (IOException | RuntimeException e) {
            LOG.warn("the table of property {} is read anew: {}", propertyId, e.toString());
            drop(propertyId);
            return null;
        }
    }

    private ItemTable read(Path file, String token) throws IOException {
        try (FileChannel channel = FileChannel.open(file)) {
            MappedByteBuffer bytes = channel.map(FileChannel.MapMode.READ_ONLY, 0, channel.size());
            int end = bytes.limit() - Long.BYTES;
            if (end < 0 || bytes.getLong(end) != sum(bytes.slice(0, end))) throw new IOException(file + " is damaged");
            TableInput in = new TableInput(bytes);
            if (!in.readText().equals(token)) throw new IOException(file + " is of another time");
            if (!in.readText().equals(shape())) throw new IOException(file + " is of another version");
            return ItemTable.read(in);
        }
    }

    private static long sum(ByteBuffer bytes) {
        CRC32C sum = new CRC32C();
        sum.update(bytes);
        return sum.getValue();
    }

    /** Says that a property has changed: its table on the disk counts no longer. */
    void drop(long propertyId) {
        if (tokens.remove(propertyId) != null) delete(file(propertyId));
    }

    /** Keeps tables when the application stops; not those of properties that somebody is still at work on. */
    void keepAll(Map<Long, ItemTable> tables) {
        Set<Long> busy = mapper.busy();
        tables.forEach((property, table) -> {
            if (!busy.contains(property)) keep(property, table);
        });
        tokens.keySet().removeAll(busy);
        transaction.executeWithoutResult(status -> tokens.forEach(mapper::insert));
        deleteOthers();
    }

    /** Keeps a table as it is, until its property changes; not where the disk is nearly full. */
    void keep(long propertyId, ItemTable table) {
        long bytes = table.bytes();
        if (tokens.containsKey(propertyId) || bytes > MAX_BYTES || disk.shortage(bytes) != null) return;
        try {
            String token = UUID.randomUUID().toString();
            write(file(propertyId), token, table);
            tokens.put(propertyId, token);
        } catch (IOException e) {
            LOG.warn("the table of property {} could not be kept: {}", propertyId, e.toString());
        }
    }

    private void write(Path file, String token, ItemTable table) throws IOException {
        Path unfinished = file.resolveSibling(file.getFileName() + UNFINISHED);
        try {
            try (OutputStream bytes = Files.newOutputStream(unfinished)) {
                writeWithSum(bytes, token, table);
            }
            Files.move(unfinished, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            // What a full disk cut short would only take more of it.
            delete(unfinished);
        }
    }

    private void writeWithSum(OutputStream bytes, String token, ItemTable table) throws IOException {
        CheckedOutputStream summed = new CheckedOutputStream(bytes, new CRC32C());
        TableOutput out = new TableOutput(summed);
        out.writeText(token);
        out.writeText(shape());
        table.write(out);
        out.flush();
        new DataOutputStream(bytes).writeLong(summed.getChecksum().getValue());
    }

    /** What the numbers in a table stand for. */
    private String shape() {
        return FORMAT + " " + mapper.schemaVersion() + " " + FieldId.FIELDS + " " + Arrays.toString(Field.values())
                + " " + Arrays.toString(DraftState.values());
    }

    private Path file(long propertyId) {
        return folder.resolve(propertyId + ENDING);
    }

    /** At the start: what is in the data folder by then is taken from everybody but its owner. */
    private void makeFolder() {
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            LOG.warn("{} cannot be made: {}", folder, e.toString());
        }
    }

    /** Deletes what no token is for. */
    private void deleteOthers() {
        Set<Path> kept = Set.copyOf(tokens.keySet().stream().map(this::file).toList());
        try (Stream<Path> files = Files.list(folder)) {
            files.filter(each -> !kept.contains(each)).forEach(KeptTables::delete);
        } catch (IOException e) {
            LOG.warn("{} cannot be looked through: {}", folder, e.toString());
        }
    }

    private static void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.warn("{} cannot be deleted: {}", file, e.toString());
        }
    }
}
