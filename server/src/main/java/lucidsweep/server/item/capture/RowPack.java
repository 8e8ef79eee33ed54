package lucidsweep.server.item.capture;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.LongPredicate;
import lucidsweep.server.database.Packed;

/**
 * The rows of an import that lie side by side, as one: what became of it, item, capture, address and facts of each, texts with
 * their length in bytes before them. A hundred rows of their own take the database several times as long.
 */
final class RowPack {

    /** So many rows are in a pack, unless they are long. */
    static final int ROWS = 100;

    private static final int MAX_BYTES = 1_000_000;

    private static final List<String> BECAME = List.of("new", "changed", "unchanged");
    private static final int FIXED_BYTES = 1 + 8 + 8 + 4 + 4;

    private ByteBuffer bytes = ByteBuffer.allocate(32_768);
    private int size;

    /** Adds a row; its id is not kept, but follows from its place. */
    void add(ImportedRow row) {
        byte[] address = row.address().getBytes(StandardCharsets.UTF_8);
        byte[] facts = row.facts().getBytes(StandardCharsets.UTF_8);
        makeRoom(FIXED_BYTES + address.length + facts.length);
        bytes.put((byte) BECAME.indexOf(row.became())).putLong(row.itemId()).putLong(row.captureId());
        bytes.putInt(address.length).put(address).putInt(facts.length).put(facts);
        size++;
    }

    private void makeRoom(int more) {
        if (bytes.remaining() >= more) return;
        ByteBuffer larger = ByteBuffer.allocate(Math.max(bytes.capacity() * 2, bytes.position() + more));
        larger.put(bytes.flip());
        bytes = larger;
    }

    int size() {
        return size;
    }

    boolean isFull() {
        return size == ROWS || bytes.position() >= MAX_BYTES;
    }

    byte[] packed() {
        return Packed.of(Arrays.copyOf(bytes.array(), bytes.position()));
    }

    /**
     * The rows of a pack that are wanted.
     *
     * @param first the id of its first row
     * @param withFacts whether their facts are wanted, too
     */
    static List<ImportedRow> rows(long first, byte[] packed, LongPredicate wanted, boolean withFacts) {
        ByteBuffer bytes = ByteBuffer.wrap(Packed.bytes(packed));
        List<ImportedRow> rows = new ArrayList<>();
        for (long id = first; bytes.hasRemaining(); id++) {
            int became = bytes.get();
            long item = bytes.getLong();
            long capture = bytes.getLong();
            boolean isWanted = wanted.test(id);
            String address = text(bytes, isWanted);
            String facts = text(bytes, isWanted && withFacts);
            if (isWanted) rows.add(new ImportedRow(id, address, BECAME.get(became), item, capture, facts));
        }
        return rows;
    }

    private static String text(ByteBuffer bytes, boolean wanted) {
        int length = bytes.getInt();
        int start = bytes.position();
        bytes.position(start + length);
        return wanted ? new String(bytes.array(), start, length, StandardCharsets.UTF_8) : null;
    }
}
