package carezza.kernel;

import org.jspecify.annotations.Nullable;

import carezza.colour.Lab;
import carezza.filter.GuidedFilter;
import carezza.filter.Resampling;
import carezza.image.Area;
import carezza.image.Picture;
import carezza.image.Plane;

/**
 * An effect that knows, at each pixel, the lightness around it, smoothed within edges on a coarser
 * level, and what is made of it brought back to the pixels.
 *
 * @param low where it is smoothed
 * @param sigma of the smoothing in pixels of the site's level
 * @param edge difference of L* at which smoothing is halved
 */
record BaseDetailEffect(LowBand low, double sigma, double edge, Parts parts, @Nullable Plane ready)
    implements Effect {

  /** What the effect makes of the lightness around, and what it does. */
  interface Parts {

    /** What is brought back to the pixels, of the smoothed lightness; may be written into it. */
    default Plane base(Plane smooth) {
      return smooth;
    }

    /** Changed pixels, of the input and what was brought back. */
    Picture change(Picture own, Plane base);
  }

  BaseDetailEffect(LowBand low, double sigma, double edge, Parts parts) {
    this(low, sigma, edge, parts, null);
  }

  private double coarseSigma() {
    return Math.max(0.5, low.sigma(sigma));
  }

  private Area readBy(Area coarse) {
    return coarse.grow(GuidedFilter.reach(coarseSigma())).intersect(low.coarse().whole());
  }

  @Override
  public Area needed(Area out) {
    return ready == null ? out.union(low.fine(readBy(low.coarse(out)))) : out;
  }

  @Override
  public Effect over(Picture input, Area out) {
    return new BaseDetailEffect(low, sigma, edge, parts, base(input, low.coarse(out)));
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
    Plane lightness = Lab.lightness(own);
    Plane smooth =
        new GuidedFilter(lightness, Plane.filled(lightness.area(), 1), coarseSigma(), edge * edge)
            .smooth(lightness);
    return parts.base(smooth).crop(coarse);
  }
}
