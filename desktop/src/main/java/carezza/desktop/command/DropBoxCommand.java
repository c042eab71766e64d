package carezza.desktop.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

import carezza.client.DropBox;
import carezza.client.SimulatedClient;
import carezza.problem.Problem;
import carezza.set.Answer;

@Command(
    name = "drop-box",
    description = "Plays the client of a drop-box: takes what waits, approves it or asks for more.")
final class DropBoxCommand implements Callable<Integer> {

  @Parameters(paramLabel = "FOLDER", description = "The drop-box.")
  private Path folder;

  @Option(
      names = "--seed",
      paramLabel = "N",
      defaultValue = "11",
      description = "What the choices grow from (default ${DEFAULT-VALUE}).")
  private long seed;

  @Option(names = "--only-list", description = "Says what was answered, and answers nothing.")
  private boolean onlyList;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws Problem {
    DropBox box = new DropBox(folder);
    if (!onlyList) {
      List<String> wishes =
          List.of("A little closer, please.", "Warmer, please.", "Please leave the lines.");
      new SimulatedClient(box, seed, wishes, "This file cannot be opened.").answer();
    }
    for (Answer answer : box.answers()) {
      spec.commandLine()
          .getOut()
          .println(
              "%s: %s%s"
                  .formatted(
                      answer.file(),
                      switch (answer.kind()) {
                        case SENT -> "sent";
                        case RECEIVED -> "received";
                        case APPROVED -> "approved";
                        case CHANGE -> "to be changed";
                      },
                      answer.words().isEmpty() ? "" : " (" + answer.words() + ")"));
    }
    spec.commandLine().getOut().flush();
    return 0;
  }
}
