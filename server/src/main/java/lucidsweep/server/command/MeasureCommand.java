package lucidsweep.server.command;

import java.io.BufferedReader;
import java.io.FileDescriptor;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.concurrent.Callable;
import lucidsweep.core.standard.Standard;
import lucidsweep.core.text.Slot;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Measures lines of text as a result page shows them on a desktop. */
@Command(name = "measure", description = "Prints for each line of standard input its width in px, a tab, and the line.")
final class MeasureCommand implements Callable<Integer> {

    /** What the lines are measured as. */
    enum Part {
        title,
        description
    }

    @Option(names = "--as", required = true, paramLabel = "title|description", description = "what the lines are")
    private Part part;

    @Override
    public Integer call() throws IOException {
        Standard standard = Standard.ofPages();
        Slot slot = (part == Part.title ? standard.title() : standard.description()).desktop();
        BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        try (PrintStream out =
                new PrintStream(new FileOutputStream(FileDescriptor.out), false, StandardCharsets.UTF_8)) {
            for (String line; (line = in.readLine()) != null; ) {
                out.printf(Locale.ROOT, "%.2f\t%s%n", slot.width(line), line);
            }
        }
        return 0;
    }
}
