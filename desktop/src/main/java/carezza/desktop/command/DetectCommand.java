package carezza.desktop.command;

import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.codec.PictureReader;
import carezza.image.Cancellation;
import carezza.measure.Blemish;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.problem.Problem.Kind;
import carezza.project.Document;
import carezza.project.SpotsFile;
import carezza.session.Session;

@Command(
    name = "detect",
    description =
        "Proposes blemishes of the face; heal takes the list as it is and leaves marks alone.")
final class DetectCommand implements Callable<Integer> {

  @Parameters(paramLabel = "PHOTO", description = "JPEG, PNG or TIFF.")
  private Path photo;

  @Option(
      names = "--json",
      required = true,
      paramLabel = "FILE|-",
      description = "Where to write; - for standard output.")
  private String json;

  @Option(
      names = "--sensitivity",
      paramLabel = "S",
      defaultValue = "1",
      description = "0.3 to 3; more proposes fainter ones (default ${DEFAULT-VALUE}).")
  private double sensitivity;

  @Mixin private Writing writing;

  @Override
  public Integer call() throws Problem {
    if (!(sensitivity >= 0.3 && sensitivity <= 3)) {
      throw new Problem(Kind.VALUE_OUT_OF_RANGE, "--sensitivity", sensitivity, "0.3 to 3");
    }
    Document document = Inputs.photograph(photo);
    writing.check(json);
    Session session = new Session(document.photograph());
    Project project = session.faces().withFace(document.project(), Cancellation.NONE);
    if (project.faces() == null) {
      throw new Problem(Kind.NO_FACE, PictureReader.name(photo));
    }
    List<Blemish> found = session.repairs().blemishes(project, sensitivity, Cancellation.NONE);
    byte[] text = SpotsFile.text(found);
    writing.text(json, text);
    return 0;
  }
}
