package carezza.kernel;

import java.util.List;
import java.util.function.DoubleToIntFunction;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Stream;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;

/**
 * Light that spreads so far that it holds no detail of its own: it is spread on the coarse level of
 * a {@link LowBand} and brought back.
 *
 * @param reach coarse pixels that the spreading reads beyond its output
 */
record SpreadLight(LowBand band, int reach) {

  /** Fine pixels that are made coarse at a time: what they are made of is not held for all. */
  private static final int PIXELS = 1 << 18;

  /**
   * @param sigma of the spread in pixels of the context's level
   * @param reach coarse pixels for a sigma in coarse pixels
   */
  static SpreadLight of(EvaluationContext context, double sigma, DoubleToIntFunction reach) {
    LowBand band = LowBand.of(context, sigma);
    return new SpreadLight(band, reach.applyAsInt(Math.scalb(sigma, -band.levels())));
  }

  /** Coarse pixels that an output is made from. */
  private Area wide(Area out) {
    return band.coarse(out).grow(reach).intersect(band.coarse().whole());
  }

  Area needed(Area out) {
    return band.fine(wide(out));
  }

  /** Whether what was spread is small enough to be kept for a whole picture. */
  boolean small() {
    return band.levels() > 0;
  }

  /**
   * Planes that are spread, at the coarse level.
   *
   * @param planes their number
   * @param fineOf the fine planes over a part of what is needed; asked on many threads
   * @param spread of a coarse plane
   */
  List<Plane> spread(
      Area out, int planes, Function<Area, List<Plane>> fineOf, UnaryOperator<Plane> spread) {
    Area wide = wide(out);
    List<Plane> coarse = Stream.generate(() -> Plane.of(wide)).limit(planes).toList();
    int fineWidth = wide.width() << band.levels();
    int rows = Math.max(1, (PIXELS / fineWidth) >> band.levels());
    ParallelRows.each(
        fineWidth,
        wide.height(),
        (from, to) -> {
          for (int y = from; y < to; y += rows) {
            Area part = new Area(wide.x(), wide.y() + y, wide.width(), Math.min(rows, to - y));
            List<Plane> fine = fineOf.apply(band.fine(part));
            for (int i = 0; i < planes; i++) {
              coarse.get(i).copyFrom(Resampling.reduce(fine.get(i), band.levels()));
            }
          }
        });
    return coarse.stream().map(p -> spread.apply(p).crop(band.coarse(out))).toList();
  }

  /** What was spread, at the pixels of a part of the output. */
  Plane brought(Plane coarse, Area out) {
    if (band.levels() == 0) {
      return coarse.crop(out);
    }
    Plane fine = Plane.of(out);
    Resampling.addExpanded(coarse, band.levels(), fine);
    return fine;
  }
}
