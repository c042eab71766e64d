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

  /** Half size of encoded pixels, each the mean of the light of the up to four that it covers. */
  public static Picture half(Picture encoded) {
    return encoded.map(Pyramid::half);
  }

  /** Decoded as it is read, so that no picture of light in full size is made. */
  private static Plane half(Plane encoded) {
    int w = encoded.width();
    int h = encoded.height();
    int cw = (w + 1) / 2;
    int ch = (h + 1) / 2;
    float[] in = encoded.values();
    float[] out = new float[cw * ch];
    ParallelRows.each(
        w,
        ch,
        (from, to) -> {
          for (int y = from; y < to; y++) {
            int top = 2 * y * w;
            int bottom = Math.min(2 * y + 1, h - 1) * w;
            for (int x = 0; x < cw; x++) {
              int left = 2 * x;
              int right = Math.min(left + 1, w - 1);
              float light =
                  Transfer.toLinear(in[top + left])
                      + Transfer.toLinear(in[top + right])
                      + Transfer.toLinear(in[bottom + left])
                      + Transfer.toLinear(in[bottom + right]);
              out[y * cw + x] = Transfer.toEncoded(light * 0.25f);
            }
          }
        });
    return new Plane(new Area(0, 0, cw, ch), out);
  }
}
