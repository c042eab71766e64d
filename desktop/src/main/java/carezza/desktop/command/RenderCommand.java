package carezza.desktop.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

import carezza.codec.PictureReader;
import carezza.image.Cancellation;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.model.Stage;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.session.Session;

@Command(name = "render", description = "Writes the picture of a project.")
final class RenderCommand implements Callable<Integer> {

  @Parameters(paramLabel = "P.carezza", description = "The project.")
  private Path file;

  @Mixin private OutputOptions output;

  @Option(
      names = "--through",
      paramLabel = "STAGE",
      description = "Last stage to render: ${COMPLETION-CANDIDATES}.")
  private Stage through;

  @Option(
      names = "--variant",
      paramLabel = "NAME",
      description = "One of the project's variants; that at work without it.")
  private String variant;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws Problem {
    Document document = Inputs.project(file);
    output.check();
    Project project = variant == null ? document.project() : variant(document.project());
    if (through != null) {
      LayerStack stack = project.stack();
      project = project.withStack(stack.lowest(stack.through(through)));
    }
    Undone.say(spec, project);
    new Session(document.photograph())
        .exports()
        .deliver(project, output.file(), output.delivery(), Cancellation.NONE);
    return 0;
  }

  private Project variant(Project project) throws Problem {
    List<String> names = project.variants().names();
    int place = names.indexOf(variant);
    if (place < 0) {
      throw new Problem(
          Problem.Kind.NO_SUCH_VARIANT,
          PictureReader.name(file),
          variant,
          names.isEmpty() ? "-" : String.join(", ", names));
    }
    return project.atVariant(place);
  }
}
