package humble.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Starts a sub-command. Exit status: 0 done, 1 the answer is no, 2 bad input or usage. */
@Command(
    name = "humble",
    mixinStandardHelpOptions = true,
    version = "Humble Circuit 0.1.0",
    description = "From a bag of parts and a bare board to the working thing.",
    footer = {
      "",
      "The launcher also knows: demo, open, test, shots, bench.",
      "Exit status: 0 done; 1 done, and the answer is no; 2 bad input or usage."
    },
    subcommands = {
      ReadCommand.class,
      MatchCommand.class,
      LookalikesCommand.class,
      ImportCommand.class,
      CheckCommand.class,
      ExportCommand.class,
      LabelsCommand.class,
      PlanCommand.class,
      Pin1Command.class,
      CuesCommand.class,
      JointsCommand.class,
      WindCommand.class,
      CircuitCommand.class,
      OhmsCommand.class,
      PowerCommand.class,
      MendCommand.class,
      ImageCommand.class,
      LoadCommand.class,
      WakeCommand.class,
      FitCommand.class,
      BuildsCommand.class,
      ReportCommand.class,
      picocli.AutoComplete.GenerateCompletion.class,
      CommandLine.HelpCommand.class
    })
public final class Humble {
  private Humble() {}

  /** Runs the command line and ends the process. */
  public static void main(String[] arguments) {
    PrintWriter out = new PrintWriter(System.out, true, StandardCharsets.UTF_8);
    PrintWriter err = new PrintWriter(System.err, true, StandardCharsets.UTF_8);
    System.exit(run(out, err, arguments));
  }

  /** Runs the command line and gives its exit status. */
  public static int run(PrintWriter out, PrintWriter err, String... arguments) {
    CommandLine line = new CommandLine(new Humble());
    line.registerConverter(Path.class, Humble::path);
    line.setOut(out).setErr(err);
    line.setExecutionExceptionHandler((exception, command, result) -> {
      if (exception instanceof BadInput bad) {
        bad.problems().forEach(err::println);
      } else if (exception instanceof humble.core.circuit.CircuitInput input) {
        err.println(input.getMessage());
      } else if (exception instanceof humble.store.JournalDamage damage) {
        err.println(damage.getMessage());
      } else {
        err.println("This is a fault of the program: " + exception);
        return CommandLine.ExitCode.SOFTWARE + 2;
      }
      return 2;
    });
    line.setParameterExceptionHandler((exception, given) -> {
      err.println(exception.getMessage());
      err.println(
          "Try 'humble " + String.join(" ", helpPath(exception.getCommandLine())) + "--help'.");
      return 2;
    });
    if (arguments.length == 0) {
      line.usage(out);
      return 0;
    }
    return line.execute(arguments);
  }

  private static List<String> helpPath(CommandLine command) {
    return command.getParent() == null ? List.of("") : List.of(command.getCommandName(), "");
  }

  private static Path path(String text) {
    try {
      return Path.of(text);
    } catch (java.nio.file.InvalidPathException e) {
      throw new CommandLine.TypeConversionException("'" + text + "' is no path");
    }
  }
}
