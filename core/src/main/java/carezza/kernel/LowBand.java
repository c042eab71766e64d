package carezza.kernel;

import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Level;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;

/**
 * Where a low band is worked on. What a Gaussian of sigma leaves holds no detail finer than that,
 * so it is computed on a coarser level of the pyramid, whose pixels are averages of the fine ones,
 * and only the change is brought back: exact where nothing changes, and a small share of the work.
 *
 * @param site at the level of the fine pixels
 * @param levels how many levels coarser the low band is worked on
 */
record LowBand(EvaluationContext site, int levels) {

  /**
   * Sigma in pixels of the coarse level, at least: then lines between its pixels are near enough.
   */
  private static final double NARROWEST = 2.5;

  /**
   * The coarsest level that still holds a low band of this sigma, in pixels of the site's level.
   */
  static LowBand of(EvaluationContext context, double sigma) {
    int levels = 0;
    while (context.level() + levels < Level.COARSEST && sigma / (1 << levels + 1) >= NARROWEST) {
      levels++;
    }
    return new LowBand(context, levels);
  }

  /** The coarse level. */
  EvaluationContext coarse() {
    return site.at(site.level() + levels);
  }

  /** A sigma of the fine level in coarse pixels, less what averaging into them blurs already. */
  double sigma(double fine) {
    double step = 1 << levels;
    return Math.sqrt(Math.max(0, fine * fine - (step * step - 1) / 12)) / step;
  }

  /** Coarse pixels whose change an area takes part in. */
  Area coarse(Area fine) {
    return Resampling.expandedFrom(fine, levels).intersect(coarse().whole());
  }

  /** Fine pixels that coarse ones are averages of, inside the picture. */
  Area fine(Area coarse) {
    return coarse.toFullSize(levels).intersect(site.whole());
  }

  /** The averages over a coarse area. */
  Picture reduced(Picture input, Area coarse) {
    Picture part = input.crop(fine(coarse));
    return part.map(p -> Resampling.reduce(p, levels));
  }
}
