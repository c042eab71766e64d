package carezza.render;

import java.util.ArrayList;
import java.util.List;

import carezza.colour.Transfer;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.PictureSize;
import carezza.image.Plane;

/** The photograph in half sizes, each made of the one before by area means of linear light. */
public final class Pyramid {

  private final PictureSize size;
  private final List<Picture> levels = new ArrayList<>();

  /**
   * @param photograph working-space pixels; not to be modified from now on
   */
  public Pyramid(Picture photograph) {
    size = new PictureSize(photograph.area().width(), photograph.area().height());
    levels.add(photograph);
  }

  public PictureSize size() {
    return size;
  }

  /** The whole photograph at a level, working space; not to be modified. */
  public synchronized Picture level(int level) {
    while (levels.size() <= level) {
      levels.add(Pyramid.half(levels.getLast()));
    }
    return levels.get(level);
  }

  /** Half size of encoded pixels, each the mean of the light of those it covers. */
  public static Picture half(Picture encoded) {
    return encoded.map(Pyramid::half);
  }

  /** Two rows at a time are turned to light, so that no plane of light in full size is made. */
  private static Plane half(Plane encoded) {
    int w = encoded.width();
    int h = encoded.height();
    Plane out = Plane.of(new Area(0, 0, (w + 1) / 2, (h + 1) / 2));
    int cw = out.width();
    float[] in = encoded.values();
    ParallelRows.each(
        w,
        out.height(),
        (from, to) -> {
          float[] upper = new float[2 * cw];
          float[] lower = new float[2 * cw];
          for (int y = from; y < to; y++) {
            light(in, 2 * y * w, w, upper);
            light(in, Math.min(2 * y + 1, h - 1) * w, w, lower);
            int row = y * cw;
            for (int x = 0; x < cw; x++) {
              int i = 2 * x;
              out.values()[row + x] = (upper[i] + upper[i + 1] + lower[i] + lower[i + 1]) * 0.25f;
            }
            Transfer.toEncoded(out.values(), out.values(), row, row + cw);
          }
        });
    return out;
  }

  /** A row of encoded pixels as light, the last one twice where they are odd. */
  private static void light(float[] in, int at, int w, float[] row) {
    System.arraycopy(in, at, row, 0, w);
    row[row.length - 1] = in[at + w - 1];
    Transfer.toLinear(row, row, 0, row.length);
  }
}
