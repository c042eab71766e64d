package carezza.desktop.state;

import java.util.Arrays;

import carezza.codec.OutputProfile;
import carezza.codec.PictureFormat;
import carezza.codec.PictureWriter;
import carezza.desktop.text.Names;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.LayerType;
import carezza.model.Layer;
import carezza.model.LayerStack;
import carezza.problem.Problem;
import carezza.project.Document;
import carezza.project.ProjectFile;

/** Small documents with nobody in them, for what needs no window. */
public final class Documents {

  private static final byte[] GREY = grey();

  private Documents() {}

  private static byte[] grey() {
    Area area = new Area(0, 0, 60, 40);
    Picture grey =
        new Picture(Plane.filled(area, 0.5f), Plane.filled(area, 0.5f), Plane.filled(area, 0.5f));
    try {
      return PictureWriter.encode(
          grey,
          new PictureWriter.Settings(PictureFormat.PNG, 90, 8, OutputProfile.SRGB),
          "grey.png");
    } catch (Problem e) {
      throw new IllegalStateException(e);
    }
  }

  /** A grey photograph with fresh layers of these kinds, whose ids are a, b, c … */
  public static Document with(LayerType... kinds) {
    try {
      Document fresh = ProjectFile.start(GREY, "grey.png");
      Layer[] layers = new Layer[kinds.length];
      Arrays.setAll(
          layers,
          i -> {
            Layer layer = Names.fresh(kinds[i]);
            return layer.with(layer.attributes().withId(Character.toString('a' + i)));
          });
      return fresh.with(fresh.project().withStack(LayerStack.of(layers)), null);
    } catch (Problem e) {
      throw new IllegalStateException(e);
    }
  }
}
