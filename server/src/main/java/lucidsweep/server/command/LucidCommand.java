package lucidsweep.server.command;

import lucidsweep.server.web.Refusal;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.HelpCommand;
import picocli.CommandLine.ParameterException;

/** The command line; what goes wrong ends as one line on standard error and an exit status. */
@Command(
        name = "lucid",
        subcommands = {
            AimCommand.class,
            ReadCommand.class,
            MeasureCommand.class,
            BackupCommand.class,
            RestoreCommand.class,
            ReportCommand.class,
            DraftsCommand.class,
            DeliverCommand.class,
            ApplyCommand.class,
            WatchCommand.class,
            EffectCommand.class,
            HelpCommand.class
        },
        synopsisSubcommandLabel = "COMMAND",
        description =
                "Crawls sites, reads files, finds keywords, measures, delivers and applies texts without the interface.")
public final class LucidCommand {

    private LucidCommand() {}

    /**
     * Runs a command.
     *
     * @param application the Spring application that commands start where they need one
     * @param words the command's name, and its options and parameters
     * @return the exit status: 0, 1 for a fault of ours, 2 for what cannot be used, 3 for a site that cannot be reached,
     *     4 for more findings than allowed,
     *     or texts that could not be applied
     */
    public static int run(Class<?> application, String... words) {
        return new CommandLine(new LucidCommand())
                .addSubcommand(new SweepCommand(application))
                .addSubcommand(new TriageCommand(application))
                .setParameterExceptionHandler((problem, all) -> say(problem.getMessage(), Unusable.BAD_ARGUMENTS))
                .setExecutionExceptionHandler((problem, command, parsed) -> {
                    if (problem instanceof Unusable unusable) return say(unusable.getMessage(), unusable.exitStatus());
                    if (problem instanceof Refusal) return say(problem.getMessage(), Unusable.BAD_ARGUMENTS);
                    throw problem;
                })
                .execute(words);
    }

    /** A value that lies outside what an option takes. */
    static ParameterException outside(CommandLine command, String option, Number min, Number max, Number given) {
        return new ParameterException(
                command, option + ": expected a number from " + min + " to " + max + ", got " + given);
    }

    private static int say(String message, int status) {
        System.err.println("lucid: " + message.lines().findFirst().orElse(""));
        return status;
    }
}
