package carezza.face;

import java.util.Map;

import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/** Tells the subject from what stands behind: a probability on a coarse grid over the whole picture. */
final class SubjectMatte {

  private final Network net = new Network("selfie_segmentation", 256);

  /** 256 x 256, whatever the shape of the picture. */
  Plane find(Picture srgb) {
    int n = net.side();
    float[] pixels = new float[n * n * 3];
    double sx = (double) srgb.area().width() / n;
    double sy = (double) srgb.area().height() / n;
    int samples = (int) Math.clamp(Math.ceil(Math.max(sx, sy)), 1, 6);
    for (int j = 0; j < n; j++) {
      for (int i = 0; i < n; i++) {
        for (int c = 0; c < 3; c++) {
          float sum = 0;
          for (int k = 0; k < samples * samples; k++) {
            double x = (i + (k % samples + 0.5) / samples) * sx;
            double y = (j + (k / samples + 0.5) / samples) * sy;
            sum += Math.clamp(srgb.plane(c).sample(x, y), 0f, 1f);
          }
          pixels[(j * n + i) * 3 + c] = sum / (samples * samples);
        }
      }
    }
    Map<String, float[]> out = net.run(pixels);
    return new Plane(new Area(0, 0, n, n), out.get("activation_10"));
  }
}
