package lucidsweep.server.command;

import java.io.BufferedReader;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Slot;

/** Measures lines of text as a result page shows them on a desktop. */
final class MeasureCommand {

    private MeasureCommand() {}

    static void run(List<String> words) {
        Arguments arguments = new Arguments(words, Set.of("as"));
        Slot slot = switch (arguments.needed("as")) {
            case "title" -> Standard.ofPages().title().desktop();
            case "description" -> Standard.ofPages().description().desktop();
            default ->
                throw new Usage(
                        Usage.BAD_ARGUMENTS,
                        "--as: expected title or description, got \"" + arguments.needed("as") + "\"");
        };
        BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        try (PrintStream out =
                new PrintStream(new FileOutputStream(FileDescriptor.out), false, StandardCharsets.UTF_8)) {
            for (String line; (line = in.readLine()) != null; ) {
                out.printf(Locale.ROOT, "%.2f\t%s%n", slot.width(line), line);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
