package carezza.kernel;

import carezza.filter.GuidedSmoothing;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * An effect that knows, at each pixel, what lies around it: a plane of the input, smoothed within edges on
 * a coarser level, and what is made of it brought back to the pixels.
 *
 * @param low where the plane is smoothed
 * @param sigma of the smoothing in pixels of the site's level
 * @param edge difference of the plane at which smoothing is halved
 */
record BaseEffect(LowBand low, double sigma, double edge, Parts parts, Plane ready)
    implements Effect {

  /** What the effect looks at, and what it does. */
  interface Parts {

    /** What is smoothed, of a coarse picture. */
    Plane seen(Picture coarse);

    /** What is brought back to the pixels, of the coarse plane and its smoothing. */
    Plane base(Plane seen, Plane smooth);

    /** Changed pixels, of the input and what was brought back. */
    Picture change(Picture own, Plane base);
  }

  BaseEffect(LowBand low, double sigma, double edge, Parts parts) {
    this(low, sigma, edge, parts, null);
  }

  private double coarseSigma() {
    return Math.max(0.5, low.sigma(sigma));
  }

  private Area readBy(Area coarse) {
    return coarse.grow(GuidedSmoothing.reach(coarseSigma())).intersect(low.coarse().whole());
  }

  @Override
  public Area needed(Area out) {
    return ready == null ? out.union(low.fine(readBy(low.coarse(out)))) : out;
  }

  @Override
  public Effect over(Picture input, Area out) {
    return new BaseEffect(low, sigma, edge, parts, base(input, low.coarse(out)));
  }

  @Override
  public Picture render(Picture input, Area out) {
    Plane coarse = ready == null ? base(input, low.coarse(out)) : ready;
    Plane fine = Plane.of(out);
    Resampling.addExpanded(coarse, low.levels(), fine);
    return parts.change(input.crop(out), fine);
  }

  private Plane base(Picture input, Area coarse) {
    Picture own = low.reduced(input, readBy(coarse));
    Plane seen = parts.seen(own);
    Plane smooth =
        new GuidedSmoothing(seen, Plane.filled(seen.area(), 1), coarseSigma(), edge * edge)
            .smooth(seen);
    return parts.base(seen, smooth).crop(coarse);
  }
}
