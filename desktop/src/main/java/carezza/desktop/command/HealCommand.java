package carezza.desktop.command;

import java.nio.file.Path;
import java.util.concurrent.Callable;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

import carezza.file.Originals;
import carezza.image.Cancellation;
import carezza.kernel.LayerType;
import carezza.model.HealLayer;
import carezza.model.LayerStack;
import carezza.model.Project;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.SpotsFile;
import carezza.session.Session;

@Command(name = "heal", description = "Heals the round spots of a list.")
final class HealCommand implements Callable<Integer> {

  @Parameters(paramLabel = "PHOTO", description = "JPEG, PNG or TIFF.")
  private Path photo;

  @Option(
      names = "--spots",
      required = true,
      paramLabel = "SPOTS.json",
      description = "{\"spots\":[{\"x\":..,\"y\":..,\"radius\":..}]} in pixels from the top left.")
  private Path spots;

  @Mixin private OutputOptions output;

  @Override
  public Integer call() throws Problem {
    Document document = Inputs.photograph(photo);
    Originals.protect(spots);
    output.check();
    HealLayer layer = ((HealLayer) LayerType.HEAL.fresh()).withPatches(SpotsFile.read(spots));
    Session session = new Session(document.photograph());
    // Repairs keep to skin, and off lips and backdrop, where the face is known.
    Project project = session.faces().withFace(document.project(), Cancellation.NONE);
    session
        .exports()
        .deliver(
            project.withStack(LayerStack.of(layer)),
            output.file(),
            output.delivery(),
            Cancellation.NONE);
    return 0;
  }
}
