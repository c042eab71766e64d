package carezza.desktop.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.codec.SafeFile;
import carezza.image.Cancellation;
import carezza.measure.Gauge;
import carezza.measure.JobLevel;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.GaugesFile;
import carezza.project.ProjectFile;
import carezza.project.ProjectFile.StackFile;
import carezza.project.Retouch;
import carezza.session.Session;

@Command(name = "measure", description = "Reads all gauges of a photograph or a project.")
final class MeasureCommand implements Callable<Integer> {

  @Parameters(paramLabel = "PHOTO|P.carezza", description = "What to measure.")
  private Path file;

  @Option(
      names = "--json",
      required = true,
      paramLabel = "FILE|-",
      description = "Where to write; - for standard output.")
  private String json;

  @Option(
      names = "--stack",
      paramLabel = "STACK.json",
      description = "For a photograph: the stack and face map to measure it with.")
  private Path stack;

  @Override
  public Integer call() throws Problem {
    boolean isProject = file.getFileName().toString().endsWith(ProjectFile.ENDING);
    Retouch retouch = isProject ? ProjectFile.open(file) : ProjectFile.start(file);
    Project project = retouch.project();
    if (stack != null) {
      StackFile given = ProjectFile.readStack(stack);
      project = project.withStack(given.stack()).withFaces(given.faces());
    }
    Session session = new Session(retouch.photograph());
    List<Gauge> gauges =
        session.gauges(session.withFace(project, Cancellation.NONE), Cancellation.NONE);
    byte[] text = GaugesFile.text(gauges, JobLevel.portrait());
    if (json.equals("-")) {
      System.out.writeBytes(text);
      System.out.println();
    } else {
      SafeFile.write(Path.of(json), out -> out.write(text));
    }
    return 0;
  }
}
