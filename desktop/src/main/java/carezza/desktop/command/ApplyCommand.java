package carezza.desktop.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

import carezza.image.Cancellation;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile.StackFile;
import carezza.session.Session;

@Command(name = "apply", description = "Puts a stack of layers on a photograph.")
final class ApplyCommand implements Callable<Integer> {

  @Parameters(paramLabel = "PHOTO", description = "JPEG, PNG or TIFF.")
  private Path photo;

  @Option(
      names = "--stack",
      required = true,
      paramLabel = "STACK.json",
      description = "Stack and face map as project.json holds them; see docs/format.md.")
  private Path stack;

  @Mixin private OutputOptions output;

  @Spec private CommandSpec spec;

  @Override
  public Integer call() throws Problem {
    StackFile given = Inputs.stack(stack);
    Document document = Inputs.photograph(photo);
    output.check();
    Session session = new Session(document.photograph());
    Project project =
        session
            .faces()
            .withFace(
                document.project().withStack(given.stack()).withFaces(given.faces()),
                Cancellation.NONE);
    Undone.say(spec, project);
    session.exports().deliver(project, output.file(), output.delivery(), Cancellation.NONE);
    return 0;
  }
}
