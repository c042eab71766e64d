package carezza.render;

import java.util.ArrayList;
import java.util.List;

import carezza.colour.Transfer;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.PictureSize;

/** The photograph in half sizes, each made of the one before by area means of linear light. */
public final class Pyramid {

  /** Rows that are turned to light at once; an even number. */
  private static final int BAND = 256;

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

  /**
   * Half size of encoded pixels, in light; band by band, so that no picture of light in full size
   * is made.
   */
  public static Picture half(Picture encoded) {
    Area area = encoded.area();
    Picture out = Picture.of(new Area(0, 0, (area.width() + 1) / 2, (area.height() + 1) / 2));
    for (int y = 0; y < area.height(); y += BAND) {
      int rows = Math.min(BAND, area.height() - y);
      Picture band = encoded.crop(new Area(area.x(), area.y() + y, area.width(), rows)).copy();
      Picture half = Transfer.encodeInPlace(Transfer.decodeInPlace(band).map(Resampling::half));
      for (int c = 0; c < 3; c++) {
        float[] from = half.plane(c).values();
        System.arraycopy(from, 0, out.plane(c).values(), y / 2 * out.area().width(), from.length);
      }
    }
    return out;
  }
}
