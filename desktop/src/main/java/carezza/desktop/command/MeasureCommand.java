package carezza.desktop.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.file.Originals;
import carezza.image.Cancellation;
import carezza.job.JobLevel;
import carezza.measure.Gauge;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.GaugesFile;
import carezza.project.ProjectFile.StackFile;
import carezza.session.Advice;
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

  @Option(
      names = "--against",
      paramLabel = "OTHER",
      description =
          "A photograph or project of the same size to take as 'before', instead of the settled"
              + " picture.")
  private Path against;

  @Mixin private JobOption job;

  @Mixin private Writing writing;

  @Override
  public Integer call() throws Problem {
    Document document = Inputs.retouch(file);
    Project project = document.project();
    if (stack != null) {
      StackFile given = Inputs.stack(stack);
      project = project.withStack(given.stack()).withFaces(given.faces());
    }
    project = job.of(project);
    if (against != null) {
      Originals.protect(against);
    }
    writing.check(json);
    Session session = new Session(document.photograph());
    project = session.faces().withFace(project, Cancellation.NONE);
    List<Gauge> gauges =
        against == null
            ? session.readings().gauges(project, Cancellation.NONE)
            : session
                .advice()
                .gaugesAgainst(project, finished(against, session), Cancellation.NONE);
    Advice.Radius advice = session.advice().radius(project, null, Cancellation.NONE);
    byte[] text =
        GaugesFile.text(
            gauges,
            advice.curve(),
            session.advice().distractions(project, Cancellation.NONE),
            JobLevel.of(project.brief()));
    writing.text(json, text);
    return 0;
  }

  /** The finished picture of another file, at the level that gauges are read at. */
  private Advice.Finished finished(Path other, Session session) throws Problem {
    Document document = Inputs.retouch(other);
    Session there = new Session(document.photograph());
    if (!there.size().equals(session.size())) {
      throw new Problem(Problem.Kind.SIZES_DIFFER, other, said(there), said(session));
    }
    return new Advice.Finished(there, document.project());
  }

  private static String said(Session session) {
    return session.size().width() + " x " + session.size().height();
  }
}
