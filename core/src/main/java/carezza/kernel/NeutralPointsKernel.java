package carezza.kernel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

import org.jspecify.annotations.Nullable;

import carezza.colour.MonotoneCurve;
import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.function.LookupTable;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.kernel.Measurements.Neutrals.Colour;
import carezza.mask.EvaluationContext;
import carezza.model.NeutralPointsLayer;
import carezza.model.NeutralPointsLayer.Tone;
import carezza.model.Point;

/**
 * Neutral points: factors of the linear channels make the middle one neutral, or the only ones
 * there are nearest to it; a monotone curve on each encoded channel then does it for the others.
 * Each keeps its luminance.
 */
final class NeutralPointsKernel implements LayerKernel<NeutralPointsLayer, Measurements.Neutrals> {

  /** Radius of what is read at a point, as a share of the face width. */
  private static final double READ = 1 / 60.0;

  /** Encoded values that are told apart by a curve. */
  private static final double APART = 0.02;

  @Override
  public boolean measures(NeutralPointsLayer layer) {
    return true;
  }

  @Override
  public Measurements.Neutrals measure(NeutralPointsLayer layer, Probe probe) {
    List<Colour> colours = new ArrayList<>();
    double r = Math.max(1, probe.site().faceWidth() * READ);
    // The middle one first: it is the one that decides.
    for (Tone tone : List.of(Tone.MIDTONE, Tone.HIGHLIGHT, Tone.SHADOW)) {
      Point at = layer.at(tone);
      if (at != null) {
        double s = probe.site().scale();
        Area around =
            Area.around(at.x() * s - r, at.y() * s - r, at.x() * s + r, at.y() * s + r)
                .intersect(probe.site().whole());
        if (!around.isEmpty()) {
          colours.add(mean(probe.input().crop(around)));
        }
      }
    }
    return new Measurements.Neutrals(colours);
  }

  @Override
  public boolean idle(NeutralPointsLayer layer) {
    return layer.shadow() == null && layer.midtone() == null && layer.highlight() == null;
  }

  private static Colour mean(Picture part) {
    Picture light = Transfer.toLinear(part);
    return new Colour(mean(light.first()), mean(light.second()), mean(light.third()));
  }

  private static double mean(Plane plane) {
    double sum = 0;
    for (float v : plane.values()) {
      sum += v;
    }
    return Math.max(1e-5, sum / plane.values().length);
  }

  @Override
  public Effect effect(
      NeutralPointsLayer layer, Measurements.Neutrals neutrals, EvaluationContext context) {
    if (neutrals.colours().isEmpty()) {
      return Effect.perPixel(own -> own);
    }
    Colour first = neutrals.colours().getFirst();
    double grey = grey(first);
    double[] gain = {grey / first.red(), grey / first.green(), grey / first.blue()};
    LookupTable[] curves = new LookupTable[3];
    for (int c = 0; c < 3; c++) {
      curves[c] = curve(neutrals.colours(), gain, c);
    }
    return Effect.perPixel(
        own -> {
          Picture out = Picture.of(own.area());
          int w = own.area().width();
          ParallelRows.each(
              w,
              own.area().height(),
              (top, end) -> {
                for (int c = 0; c < 3; c++) {
                  float f = (float) gain[c];
                  float k = (float) Math.pow(gain[c], Transfer.ROOT);
                  float[] from = own.plane(c).values();
                  float[] to = out.plane(c).values();
                  for (int i = top * w; i < end * w; i++) {
                    float v = Transfer.times(from[i], f, k);
                    to[i] = curves[c] == null ? v : curves[c].at(v);
                  }
                }
              });
          return out;
        });
  }

  private static double grey(Colour c) {
    return WorkingSpace.luminance((float) c.red(), (float) c.green(), (float) c.blue());
  }

  /** Null where the gain does it all. */
  private static @Nullable LookupTable curve(List<Colour> colours, double[] gain, int channel) {
    if (colours.size() < 2) {
      return null;
    }
    List<MonotoneCurve.Point> points = new ArrayList<>();
    for (Colour colour : colours) {
      double[] light = {colour.red(), colour.green(), colour.blue()};
      double x = Transfer.toEncoded((float) (light[channel] * gain[channel]));
      points.add(new MonotoneCurve.Point(x, Transfer.toEncoded((float) grey(colour))));
    }
    points.sort(Comparator.comparingDouble(MonotoneCurve.Point::x));
    List<MonotoneCurve.Point> rising = new ArrayList<>(List.of(new MonotoneCurve.Point(0, 0)));
    points.add(new MonotoneCurve.Point(1, 1));
    for (MonotoneCurve.Point p : points) {
      MonotoneCurve.Point last = rising.getLast();
      if (p.x() > last.x() + APART && p.y() > last.y() && p.x() <= 1) {
        rising.add(p);
      }
    }
    return rising.size() < 2 ? null : new MonotoneCurve(rising).table();
  }
}
