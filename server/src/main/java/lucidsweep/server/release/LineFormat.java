package lucidsweep.server.release;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.io.OutputStreamWriter;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.util.function.Consumer;

/** A format that is lines of text. */
abstract class LineFormat implements HandoverFormat {

    private final String code;
    private final String ending;

    LineFormat(String code, String ending) {
        this.code = code;
        this.ending = ending;
    }

    @Override
    public final String code() {
        return code;
    }

    @Override
    public final String ending() {
        return ending;
    }

    @Override
    public String mediaType() {
        return "text/plain; charset=utf-8";
    }

    /** Gives the lines of a file one by one. */
    abstract void write(HandoverLines lines, Consumer<String> line);

    @Override
    public final void write(HandoverLines lines, OutputStream out) throws IOException {
        Writer writer = new BufferedWriter(new OutputStreamWriter(out, StandardCharsets.UTF_8));
        write(lines, line -> {
            try {
                writer.write(line);
                writer.write('\n');
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
        writer.flush();
    }
}
