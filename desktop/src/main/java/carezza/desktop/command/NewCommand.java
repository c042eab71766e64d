package carezza.desktop.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.codec.PictureReader;
import carezza.image.Cancellation;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.ProjectFile;
import carezza.session.Session;

@Command(name = "new", description = "Makes a project of a photograph.")
final class NewCommand implements Callable<Integer> {

  @Parameters(paramLabel = "PHOTO", description = "JPEG, PNG or TIFF.")
  private Path photo;

  @Option(names = "--out", required = true, paramLabel = "P.carezza", description = "The project.")
  private Path out;

  @Option(
      names = "--link",
      paramLabel = "true|false",
      arity = "1",
      description =
          "Whether the project links to the photograph where it lies, rather than holding it inside;"
              + " by default large files are linked.")
  private Boolean link;

  @Mixin private Writing writing;

  @Override
  public Integer call() throws Problem {
    if (!ProjectFile.isProject(out)) {
      throw new Problem(Kind.PROJECT_ENDING, PictureReader.name(out));
    }
    Document document = Inputs.photograph(photo);
    writing.to(out).check();
    if (link != null) {
      document = document.linkedTo(link ? photo.toAbsolutePath().normalize() : null);
    }
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), Cancellation.NONE);
    session.store().save(document.with(project, null), writing.to(out), Cancellation.NONE);
    return 0;
  }
}
