package carezza.render;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;

import carezza.image.Area;
import carezza.image.Cancellation;
import carezza.image.Picture;

/**
 * Renders a whole level layer by layer, for files: every pixel is wanted once, so nothing is kept but the
 * layer's input and its result. Each layer runs over bands of rows small enough for the processor's
 * cache, many at a time.
 */
final class StripRenderer {

  /** Pixels of a band: three float planes of it fit in a core's own cache. */
  private static final int BAND_PIXELS = 1 << 16;

  /** A band is at least this many times as high as what its layer reads beyond it. */
  private static final int REACHES = 8;

  private final Area whole;
  private final Cancellation cancellation;
  private Picture spare;

  StripRenderer(Area whole, Cancellation cancellation) {
    this.whole = whole;
    this.cancellation = cancellation;
  }

  /**
   * @param photograph the level's pixels; not modified
   * @param passes of all layers, lowest first
   * @param each sees every layer that does anything
   * @return the finished picture; the photograph itself if no layer does anything
   */
  <X extends Exception> Picture render(
      Picture photograph, List<LayerPass> passes, LayerResult<X> each) throws X {
    Picture current = photograph;
    for (LayerPass pass : passes) {
      if (carezza.kernel.Kernels.idle(pass.within(whole))) {
        continue;
      }
      Picture next = spare == null ? Picture.of(whole) : spare;
      run(pass.over(current, whole), current, next);
      each.see(pass.layer(), current, next);
      spare = current == photograph ? null : current;
      current = next;
    }
    return current;
  }

  private void run(LayerPass pass, Picture input, Picture result) {
    List<Area> bands = bands(pass);
    IntStream.range(0, bands.size())
        .parallel()
        .forEach(
            i -> {
              cancellation.check();
              result.copyFrom(pass.compute(bands.get(i), input::crop, cancellation));
            });
  }

  private List<Area> bands(LayerPass pass) {
    Area probe = new Area(0, whole.height() / 2, whole.width(), 1);
    int read = pass.needed(probe).height();
    int height = Math.max(BAND_PIXELS / whole.width(), read > 1 ? REACHES / 2 * read : 1);
    List<Area> bands = new ArrayList<>();
    for (int y = 0; y < whole.height(); y += Math.max(1, height)) {
      bands.add(
          new Area(0, y, whole.width(), Math.min(Math.max(1, height), whole.height() - y)));
    }
    return bands;
  }
}
