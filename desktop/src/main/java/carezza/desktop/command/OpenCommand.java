package carezza.desktop.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;
import javafx.application.Application;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

import carezza.batch.SetFolder;
import carezza.desktop.app.CarezzaApp;
import carezza.desktop.app.Display;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.ProjectFile;

@Command(name = "open", description = "Opens the window, with a photograph or a project if named.")
final class OpenCommand implements Callable<Integer> {

  @Parameters(
      arity = "0..1",
      paramLabel = "FILE",
      description = "A photograph, a project, a set or a folder.")
  private Path file;

  @Override
  public Integer call() throws Problem {
    if (file != null && SetFolder.of(file).isEmpty()) {
      // Say what is wrong with the file here and now, not in a window that opens empty.
      ProjectFile.openOrStart(file);
    }
    if (!Display.present()) {
      throw new Problem(Kind.NO_DISPLAY, "The window");
    }
    if (file == null) {
      Application.launch(CarezzaApp.class);
    } else {
      Application.launch(CarezzaApp.class, "--open=" + file.toAbsolutePath());
    }
    return 0;
  }
}
