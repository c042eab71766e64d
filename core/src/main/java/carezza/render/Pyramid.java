package carezza.render;

import java.util.ArrayList;
import java.util.List;

import carezza.colour.Transfer;
import carezza.filter.Resampling;
import carezza.image.Picture;
import carezza.image.PictureSize;

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

  /** Half size of encoded pixels, in light. */
  public static Picture half(Picture encoded) {
    return Transfer.encodeInPlace(Transfer.toLinear(encoded).map(Resampling::half));
  }
}
