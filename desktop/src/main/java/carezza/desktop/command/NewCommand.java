package carezza.desktop.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.image.Cancellation;
import carezza.problem.Problem;
import carezza.project.ProjectFile;
import carezza.project.Retouch;
import carezza.session.Session;

@Command(name = "new", description = "Makes a project of a photograph.")
final class NewCommand implements Callable<Integer> {

  @Parameters(paramLabel = "PHOTO", description = "JPEG, PNG or TIFF.")
  private Path photo;

  @Option(names = "--out", required = true, paramLabel = "P.carezza", description = "The project.")
  private Path out;

  @Override
  public Integer call() throws Problem {
    Retouch retouch = ProjectFile.start(photo);
    new Session(retouch.photograph()).save(retouch, out, Cancellation.NONE);
    return 0;
  }
}
