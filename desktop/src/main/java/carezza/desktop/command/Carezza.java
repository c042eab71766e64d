package carezza.desktop.command;

import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.IExecutionExceptionHandler;
import picocli.CommandLine.IParameterExceptionHandler;

import carezza.desktop.task.Faults;

/** The verbs and what they have in common: help, exit codes, one sentence for each error. */
@Command(
    name = "carezza",
    description = "Retouches portraits; every touch is a recipe, never a pixel.",
    mixinStandardHelpOptions = true,
    version = "Carezza 0.1.0",
    subcommands = {
      OpenCommand.class,
      DemoCommand.class,
      NewCommand.class,
      RenderCommand.class,
      DetectCommand.class,
      HealCommand.class,
      ApplyCommand.class,
      RoutineCommand.class,
      MeasureCommand.class,
      PlanCommand.class,
      JournalCommand.class,
      SheetCommand.class,
      ContactSheetCommand.class,
      DropBoxCommand.class,
      MasksCommand.class,
      ShotsCommand.class
    },
    exitCodeListHeading = "Exit codes:%n",
    exitCodeList = {"0:done", "1:a file could not be used", "2:the command was not understood"})
public final class Carezza implements Runnable {

  /** A file could not be read, written or understood. */
  private static final int FAILED = 1;

  /** The command itself was not understood. */
  private static final int MISUSED = 2;

  /** Runs a command and returns its exit code. Without arguments, opens the demo. */
  public static int run(String... arguments) {
    String[] given = arguments.length == 0 ? new String[] {"demo"} : arguments;
    try {
      return commandLine().execute(given);
    } catch (Throwable e) {
      // Whatever goes wrong, its last word is a sentence.
      Faults.log("command", e);
      System.err.println(Faults.said(e));
      return FAILED;
    }
  }

  static CommandLine commandLine() {
    CommandLine line = new CommandLine(new Carezza());
    line.setCaseInsensitiveEnumValuesAllowed(true);
    line.setExecutionExceptionHandler(failure());
    line.setParameterExceptionHandler(misuse());
    for (CommandLine sub : line.getSubcommands().values()) {
      sub.getCommandSpec().mixinStandardHelpOptions(true);
    }
    return line;
  }

  private static IExecutionExceptionHandler failure() {
    return (exception, line, parsed) -> {
      Faults.log("command", exception);
      line.getErr().println(Faults.said(exception));
      return FAILED;
    };
  }

  private static IParameterExceptionHandler misuse() {
    return (exception, arguments) -> {
      CommandLine line = exception.getCommandLine();
      String message = String.valueOf(exception.getMessage()).lines().findFirst().orElse("");
      line.getErr()
          .println(
              ending(message) + "; see '" + line.getCommandSpec().qualifiedName() + " --help'.");
      return MISUSED;
    };
  }

  /** Without the full stop that a sentence of a problem has. */
  private static String ending(String message) {
    return message.endsWith(".") ? message.substring(0, message.length() - 1) : message;
  }

  @Override
  public void run() {
    CommandLine.usage(this, System.out);
  }
}
