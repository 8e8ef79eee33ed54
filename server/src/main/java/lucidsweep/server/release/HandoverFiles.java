package lucidsweep.server.release;

import java.io.BufferedOutputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.zip.Deflater;
import java.util.zip.GZIPInputStream;
import java.util.zip.GZIPOutputStream;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Keeps what was delivered as it was delivered, byte for byte: what the property becomes later does not change it. */
@Component
class HandoverFiles {

    private final ReleaseMapper mapper;
    private final HandoverFormats formats;

    HandoverFiles(ReleaseMapper mapper, HandoverFormats formats) {
        this.mapper = mapper;
        this.formats = formats;
    }

    /** Makes the file of a handover from its lines and keeps it, within the caller's transaction. */
    void keep(HandoverLines lines) {
        Handover handover = lines.handover();
        try {
            Path packed = Files.createTempFile("handover-", ".gz");
            try {
                try (OutputStream out = new BufferedOutputStream(new QuickGzip(Files.newOutputStream(packed)))) {
                    formats.find(handover.format()).write(lines, out);
                }
                try (InputStream in = Files.newInputStream(packed)) {
                    mapper.keepFile(handover.id(), in);
                }
            } finally {
                Files.delete(packed);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Writes the file of a handover as it was delivered. */
    void write(Handover handover, OutputStream out) throws IOException {
        try (InputStream in = new GZIPInputStream(
                new ByteArrayInputStream(mapper.file(handover.id()).content()))) {
            in.transferTo(out);
        }
    }

    /** Handovers of earlier versions were written anew whenever they were asked for; from now on they stay. */
    @EventListener(ApplicationReadyEvent.class)
    void keepEarlierOnes() {
        mapper.withoutFile().forEach(handover -> keep(new RecordedLines(mapper, handover)));
    }

    /** Packs fast rather than tight: somebody waits for a delivery, and a workbook is packed already. */
    private static final class QuickGzip extends GZIPOutputStream {

        QuickGzip(OutputStream out) throws IOException {
            super(out);
            def.setLevel(Deflater.BEST_SPEED);
        }
    }
}
