package carezza.face;

import java.util.Map;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * Tells the subject from what stands behind: a probability on a coarse grid over the whole picture.
 */
final class SubjectMatte {

  private final Network net = new Network("selfie_segmentation", 256);

  /** 256 x 256, whatever the shape of the picture. */
  Plane find(Picture srgb) {
    int n = net.side();
    Map<String, float[]> out = net.run(NetworkInput.ofWhole(srgb, n));
    return new Plane(new Area(0, 0, n, n), Network.output(out, "activation_10"));
  }
}
