package lucidsweep.server.command;

import java.util.Arrays;
import java.util.List;
import lucidsweep.server.web.Refusal;

/** Runs a command; what goes wrong ends as one line on standard error and an exit status. */
public final class LucidCommand {

    private static final String HELP = """
            lucid sweep URL --out DIR [--keywords FILE] [--limit N] [--include PATTERN]... [--exclude PATTERN]...
                        [--depth N] [--rate N] [--data DIR]
                crawls a site and writes items.csv and findings.csv; a pattern is written as in robots.txt (/tours/*),
                the rate is in requests a second; with --data the state is kept there, and the same command goes on
                where it was cut short
            lucid read FILE --kind pages|listings|videos|demand|keywords|results --out DIR
                reads a file as the import would and writes rows.csv and unreadable.csv
            lucid aim --items FILE --keywords FILE [--demand FILE] --out DIR [--brand NAMES] [--language CODE]
                works out what each item should be found for and writes targets.csv, gaps.csv, better.csv and curve.csv
            lucid measure --as title|description < texts
                prints for each line its width in px, a tab, and the text""";

    private LucidCommand() {}

    /** Runs a command and returns its exit status: 0, 2 for what cannot be used, 3 for a site that cannot be reached. */
    public static int run(String[] args) {
        List<String> words = Arrays.asList(args).subList(1, args.length);
        try {
            switch (args[0]) {
                case "sweep" -> SweepCommand.run(words);
                case "aim" -> AimCommand.run(words);
                case "read" -> ReadCommand.run(words);
                case "measure" -> MeasureCommand.run(words);
                case "help" -> System.out.println(HELP);
                default ->
                    throw new Usage(Usage.BAD_ARGUMENTS, "there is no command \"" + args[0] + "\"; try: lucid help");
            }
            return 0;
        } catch (Usage e) {
            System.err.println("lucid: " + e.getMessage());
            return e.exitStatus();
        } catch (Refusal e) {
            System.err.println("lucid: " + e.getMessage());
            return Usage.BAD_ARGUMENTS;
        }
    }
}
