package humble.cli;

import humble.core.words.ForeignText;
import humble.store.log.FaultLog;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/**
 * Starts a sub-command. Exit status: 0 done, 1 the answer is no, 2 bad input or usage, 3 a fault of
 * the program.
 */
@Command(
    name = "humble",
    mixinStandardHelpOptions = true,
    version = "Humble Circuit 0.1.0",
    description = "From a bag of parts and a bare board to the working thing.",
    footer = {
      "",
      "The launcher also knows: demo, open, test, shots, bench, kill, fuzz.",
      "Exit status: 0 done; 1 done, and the answer is no; 2 bad input or usage;",
      "3 a fault of the program, which then stands in its log."
    },
    subcommands = {
      ReadCommand.class,
      MatchCommand.class,
      LookalikesCommand.class,
      ImportCommand.class,
      CheckCommand.class,
      BoardCommand.class,
      ExportCommand.class,
      LabelsCommand.class,
      PlanCommand.class,
      Pin1Command.class,
      CuesCommand.class,
      HostCommand.class,
      NewCommand.class,
      UnlocksCommand.class,
      LightsCommand.class,
      JointsCommand.class,
      WindCommand.class,
      CircuitCommand.class,
      OhmsCommand.class,
      PowerCommand.class,
      MendCommand.class,
      TrialCommand.class,
      ImageCommand.class,
      LoadCommand.class,
      SettingsCommand.class,
      CardCommand.class,
      LibraryCommand.class,
      WakeCommand.class,
      FitCommand.class,
      BuildsCommand.class,
      ReportCommand.class,
      CompareCommand.class,
      ArchiveCommand.class,
      TrimCommand.class,
      TakeCommand.class,
      TemplatesCommand.class,
      JournalCommand.class,
      picocli.AutoComplete.GenerateCompletion.class,
      CommandLine.HelpCommand.class
    })
public final class Humble {
  /** The exit status of a fault of the program; no input is to blame for it. */
  static final int FAULT = 3;

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
    line.setExecutionExceptionHandler((exception, command, result) -> failed(err, exception));
    line.setParameterExceptionHandler((exception, given) -> {
      String name = exception.getCommandLine().getCommandSpec().qualifiedName();
      String what = ForeignText.shown(String.valueOf(exception.getMessage())).strip();
      err.println(what + (what.endsWith(".") ? "" : ".") + " Try '" + name + " --help'.");
      return 2;
    });
    if (arguments.length == 0) {
      line.usage(out);
      return 0;
    }
    try {
      return line.execute(arguments);
    } catch (StackOverflowError | OutOfMemoryError e) {
      return faulty(err, e);
    }
  }

  /** What somebody wrote into a kit must not move the cursor of the terminal it is told on. */
  private static int failed(PrintWriter err, Exception exception) {
    switch (exception) {
      case BadInput bad -> bad.problems().forEach(each -> err.println(ForeignText.shown(each)));
      case humble.core.circuit.CircuitInput input -> told(err, input);
      case humble.store.JournalDamage damage -> told(err, damage);
      case humble.store.NotWritten unwritten -> told(err, unwritten);
      case humble.core.budget.Spent spent -> told(err, spent);
      case java.nio.file.InvalidPathException path -> told(err, path);
      default -> {
        return faulty(err, exception);
      }
    }
    return 2;
  }

  private static void told(PrintWriter err, Exception exception) {
    err.println(ForeignText.shown(String.valueOf(exception.getMessage())));
  }

  /** A fault of the program: one line here, the rest in the log. */
  private static int faulty(PrintWriter err, Throwable fault) {
    try (FaultLog log = new FaultLog(Bench.home())) {
      log.fault("A command failed", fault);
      err.println(
          "This is a fault of the program: "
              + fault.getClass().getSimpleName()
              + ". It stands in "
              + log.file()
              + ".");
    }
    return FAULT;
  }

  private static Path path(String text) {
    try {
      return Path.of(text);
    } catch (java.nio.file.InvalidPathException e) {
      throw new CommandLine.TypeConversionException("'" + text + "' is no path");
    }
  }
}
