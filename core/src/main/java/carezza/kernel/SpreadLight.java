package carezza.kernel;

import java.util.function.DoubleToIntFunction;
import java.util.function.UnaryOperator;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;

/**
 * Light that spreads so far that it holds no detail of its own: it is spread on the coarse level of
 * a {@link LowBand} and brought back.
 *
 * @param reach coarse pixels that the spreading reads beyond its output
 */
record SpreadLight(LowBand band, int reach) {

  /**
   * @param sigma of the spread in pixels of the context's level
   * @param reach coarse pixels for a sigma in coarse pixels
   */
  static SpreadLight of(EvaluationContext context, double sigma, DoubleToIntFunction reach) {
    LowBand band = LowBand.of(context, sigma);
    return new SpreadLight(band, reach.applyAsInt(Math.scalb(sigma, -band.levels())));
  }

  /** Coarse pixels that an output is made from. */
  Area wide(Area out) {
    return band.coarse(out).grow(reach).intersect(band.coarse().whole());
  }

  Area needed(Area out) {
    return band.fine(wide(out));
  }

  /**
   * The linear light of a part of the input, spread.
   *
   * @param linear light over at least what is needed
   * @param lightOf what of it is spread
   * @param spread at the coarse level
   */
  Picture spread(
      Picture linear, Area out, UnaryOperator<Picture> lightOf, UnaryOperator<Plane> spread) {
    Picture light = lightOf.apply(linear.crop(needed(out)));
    Area coarse = band.coarse(out);
    return light.map(p -> brought(spread.apply(reduced(p)).crop(coarse), out));
  }

  /** One plane, such as a mask, spread alike. */
  Plane spread(Plane fine, Area out, UnaryOperator<Plane> spread) {
    return brought(
        spread.apply(reduced(fine.crop(band.fine(wide(out))))).crop(band.coarse(out)), out);
  }

  private Plane reduced(Plane fine) {
    return Resampling.reduce(fine, band.levels());
  }

  private Plane brought(Plane coarse, Area out) {
    if (band.levels() == 0) {
      return coarse.crop(out);
    }
    Plane fine = Plane.of(out);
    Resampling.addExpanded(coarse, band.levels(), fine);
    return fine;
  }
}
