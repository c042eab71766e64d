package carezza.mask;

import java.util.Arrays;

import carezza.image.Area;
import carezza.image.Picture;

/**
 * What stands behind the sitter, as seen at the picture's left and right edge beside the head.
 * Tells a backdrop of the colour of skin from skin.
 */
final class Backdrop {

  /** Share of the width that is looked at on each side. */
  private static final double STRIP = 0.03;

  /** Difference in L*a*b* up to which a pixel is backdrop for sure, and from which it is not. */
  private static final double SAME = 5;

  private static final double OTHER = 11;

  private final Picture lab;
  private final double[][] left;
  private final double[][] right;
  private final FaceFrame.Ellipse face;

  Backdrop(Picture lab, FaceFrame.Ellipse face) {
    this.lab = lab;
    this.face = face;
    Area area = lab.area();
    int strip = Math.max(1, (int) (STRIP * area.width()));
    int last = Math.clamp((int) (face.y() + 0.6 * face.ry()) - area.y(), 1, area.height());
    left = edge(area.x(), strip, last);
    right = edge(area.right() - strip, strip, last);
  }

  private double[][] edge(int from, int strip, int last) {
    Area area = lab.area();
    double[][] colours = new double[area.height()][3];
    float[] row = new float[strip];
    for (int y = 0; y < area.height(); y++) {
      for (int c = 0; c < 3; c++) {
        if (y >= last) {
          // Shoulders may reach the edge down there: keep the last colour seen beside the head.
          colours[y][c] = colours[last - 1][c];
          continue;
        }
        int at = lab.plane(c).index(from, area.y() + y);
        System.arraycopy(lab.plane(c).values(), at, row, 0, strip);
        Arrays.sort(row);
        colours[y][c] = row[strip / 2];
      }
    }
    return colours;
  }

  /** 1 where the pixel at this index has the colour of the backdrop on its side; 0 on the face. */
  float likeness(int i) {
    int w = lab.area().width();
    int x = i % w;
    int y = i / w;
    double px = lab.area().x() + x + 0.5;
    if (face.contains(px, lab.area().y() + y + 0.5)) {
      return 0;
    }
    double[] colour = px < face.x() ? left[y] : right[y];
    double dl = lab.first().values()[i] - colour[0];
    double da = lab.second().values()[i] - colour[1];
    double db = lab.third().values()[i] - colour[2];
    double distance = Math.sqrt(dl * dl + da * da + db * db);
    return Smoothstep.step((OTHER - distance) / (OTHER - SAME));
  }
}
