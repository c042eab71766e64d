package carezza.desktop.command;

import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

import carezza.codec.PictureReader;
import carezza.desktop.text.PlanWords;
import carezza.image.Cancellation;
import carezza.model.Layer;
import carezza.model.Project;
import carezza.plan.Finding;
import carezza.plan.Plan;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.PlanFile;
import carezza.project.ProjectFile;
import carezza.session.Session;
import carezza.session.Treatments;

@Command(
    name = "plan",
    description = "Says what there is to do on a photograph or a project, and drafts it.")
final class PlanCommand implements Callable<Integer> {

  @Parameters(paramLabel = "PHOTO|P.carezza", description = "What to look over.")
  private Path file;

  @Option(
      names = "--json",
      paramLabel = "FILE|-",
      description = "Where to write what was found; - for standard output.")
  private String json;

  @Mixin private JobOption job;

  @Option(
      names = "--long-edge",
      paramLabel = "N",
      description = "Pixels of the delivered picture's longer side; 0 for full size.")
  private Integer longEdge;

  @Option(
      names = "--budget",
      paramLabel = "MIN",
      description = "Minutes there are; 0 for those of the job.")
  private Double budget;

  @Option(names = "--draft", description = "Makes all that fits into the budget; needs --out.")
  private boolean draft;

  @Option(names = "--out", paramLabel = "P.carezza", description = "Project to write the draft to.")
  private Path out;

  @Mixin private Writing writing;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws Problem {
    check();
    Document document = Inputs.retouch(file);
    if (json != null) {
      writing.check(json);
    }
    if (draft) {
      writing.to(out).check();
    }
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(briefed(document.project()), Cancellation.NONE);
    Plan plan = session.planning().plan(project, Cancellation.NONE);
    if (json != null) {
      writing.text(json, PlanFile.text(plan, project.brief(), treatments(session, project, plan)));
    }
    if (draft) {
      Project drafted =
          session.treatments().draft(project, plan.proposed(), new Naming(), Cancellation.NONE);
      session.store().save(document.with(drafted, null), writing.to(out), Cancellation.NONE);
    }
    return 0;
  }

  private void check() throws Problem {
    if (json == null && !draft) {
      throw new ParameterException(
          spec.commandLine(),
          "Say what to write: --json FILE for what was found, or --draft --out P.carezza.");
    }
    if (draft != (out != null)) {
      throw new ParameterException(spec.commandLine(), "--draft and --out go together.");
    }
    if (out != null && !ProjectFile.isProject(out)) {
      throw new Problem(Kind.PROJECT_ENDING, PictureReader.name(out));
    }
    if (longEdge != null && (longEdge < 0 || longEdge > 100_000)) {
      throw new Problem(Kind.VALUE_OUT_OF_RANGE, "--long-edge", longEdge, "0 to 100000 pixels");
    }
    if (budget != null && !(budget >= 0 && budget <= 100_000)) {
      throw new Problem(Kind.VALUE_OUT_OF_RANGE, "--budget", budget, "0 to 100000 minutes");
    }
  }

  private Project briefed(Project project) {
    Project briefed = job.of(project);
    if (longEdge != null) {
      briefed = briefed.withBrief(briefed.brief().withLongEdge(longEdge));
    }
    return budget == null ? briefed : briefed.withBrief(briefed.brief().withMinutes(budget));
  }

  /** Layers that would treat what is open, each on the project as it stands. */
  private static Map<String, List<Layer>> treatments(Session session, Project project, Plan plan) {
    Map<String, List<Layer>> treatments = new HashMap<>();
    for (Finding finding : plan.open()) {
      Project treated = session.treatments().treated(project, finding, Cancellation.NONE);
      treatments.put(
          finding.key(),
          treated.stack().layers().stream()
              .filter(l -> project.stack().find(l.attributes().id()).isEmpty())
              .map(l -> PlanWords.named(l, finding))
              .toList());
    }
    return treatments;
  }

  /** Names layers as the window does. */
  private static final class Naming implements Treatments.Guide {
    @Override
    public Layer named(Layer layer, @Nullable Finding finding) {
      return PlanWords.named(layer, finding);
    }
  }
}
