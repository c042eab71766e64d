package carezza.desktop.command;

import java.io.PrintWriter;
import java.util.List;
import java.util.stream.Collectors;

import picocli.CommandLine.Model.CommandSpec;

import carezza.kernel.FaceNeeds;
import carezza.model.Layer;
import carezza.model.OverlayLayer;
import carezza.model.Project;
import carezza.overlay.OverlayPixels;

/** Says which layers of a picture do nothing, and why; the picture is made without them. */
final class Undone {

  private Undone() {}

  static void say(CommandSpec spec, Project project) {
    PrintWriter said = spec.commandLine().getErr();
    List<Layer> idle = FaceNeeds.idleWithoutFace(project.stack());
    if (project.faces() == null && !idle.isEmpty()) {
      said.println(
          "No face was found, so these layers do nothing: "
              + idle.stream().map(l -> l.attributes().name()).collect(Collectors.joining(", "))
              + ".");
    }
    for (OverlayLayer layer : OverlayPixels.missing(project.stack())) {
      said.printf(
          "The picture %s that %s lays over this one is missing or another one now; it is left out.%n",
          layer.picture().name(), layer.attributes().name());
    }
  }
}
