package carezza.mask;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.BiConsumer;
import java.util.function.Function;

import carezza.image.Area;
import carezza.image.Plane;
import carezza.model.Mask;
import carezza.model.Mask.Strokes;
import carezza.model.Stroke;

/**
 * Coverages that do not depend on what lies under a layer, kept while a view is worked on so that
 * they are not found again for every frame. For one level, regions and thread at a time.
 */
public final class MaskCache {

  private static final int MOST = 48;

  /** Strokes that may have been painted since a coverage was kept. */
  private static final int SINCE = 40;

  /** Share of the view from which a coverage is worth keeping; parts of it come from there. */
  private static final double LARGE = 0.5;

  private final int viewPixels;
  private final Map<Mask, Plane> kept =
      new LinkedHashMap<>(16, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Mask, Plane> eldest) {
          return size() > MOST;
        }
      };

  /**
   * @param viewPixels pixels of the view that is worked on
   */
  public MaskCache(int viewPixels) {
    this.viewPixels = viewPixels;
  }

  /** The mask over an area, remembered or rendered; the caller's own. */
  Plane of(Mask mask, Area area, Function<Area, Plane> render) {
    Plane known = kept.get(mask);
    if (known == null || !known.area().contains(area)) {
      known = render.apply(area);
      if (area.pixels() >= LARGE * viewPixels) {
        kept.put(mask, known);
      }
    }
    return known.area().equals(area) ? known.copy() : known.crop(area);
  }

  /**
   * How many of the first strokes are remembered over an area, laid on their base; 0 if not known.
   * All but the last are, where some were: only the last one still grows, so the others are laid
   * once.
   */
  int known(Strokes mask, Area area, BiConsumer<List<Stroke>, Plane> lay) {
    List<Stroke> all = mask.strokes();
    int finished = all.size() - 1;
    for (int n = finished; n > Math.max(0, all.size() - SINCE); n--) {
      Plane known = kept.get(first(mask, n));
      if (known != null && known.area().contains(area)) {
        if (n < finished) {
          Plane laid = known.copy();
          lay.accept(all.subList(n, finished), laid);
          kept.put(first(mask, finished), laid);
        }
        return finished;
      }
    }
    return 0;
  }

  private static Strokes first(Strokes mask, int count) {
    return new Strokes(mask.base(), mask.strokes().subList(0, count));
  }
}
