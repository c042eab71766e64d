package carezza.kernel;

import carezza.colour.Transfer;
import carezza.filter.GaussianBlur;
import carezza.filter.RobustStatistics;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.LocalContrastLayer;

/**
 * Local contrast: L* moves away from the lightness around it, smoothed within edges, by a share of
 * the difference. Haze is light laid over all (Koschmieder 1924): I = J (1 − t) + t in linear
 * light. It is taken away by a share of what the darkest places still have, and a little more, or
 * laid on.
 */
final class LocalContrastKernel implements LayerKernel<LocalContrastLayer, Measurements> {

  private static final double AROUND = 1 / 9.0;
  private static final double EDGE = 22;

  /** Part of the picture that is darker than what haze is read from. */
  private static final double DARKEST = 0.01;

  /** Sigma that noise is taken out by before, as a share of the face width. */
  private static final double CALM = 1 / 80.0;

  /** Share of light that full haze takes away where there is none to be seen. */
  private static final double LEAST = 0.03;

  /** Share of light that full haze lays on. */
  private static final double LAID_ON = 0.35;

  @Override
  public boolean measures(LocalContrastLayer layer) {
    return layer.haze() > 0;
  }

  @Override
  public LocalContrastLayer measured(LocalContrastLayer full) {
    return new LocalContrastLayer(full.attributes(), 0, full.haze() > 0 ? 1 : 0);
  }

  /** The light that lies over the darkest places. */
  @Override
  public Measurements.Haze measure(LocalContrastLayer layer, Probe probe) {
    Picture light = Transfer.toLinear(probe.input());
    Plane least = Plane.of(light.area());
    for (int i = 0; i < least.values().length; i++) {
      least.values()[i] =
          Math.min(
              light.first().values()[i],
              Math.min(light.second().values()[i], light.third().values()[i]));
    }
    Plane calm = GaussianBlur.blur(least, probe.site().faceWidth() * CALM);
    double[] values = RobustStatistics.values(calm, Plane.filled(calm.area(), 1));
    return new Measurements.Haze(Math.clamp(RobustStatistics.quantile(values, DARKEST), 0, 0.8));
  }

  @Override
  public Effect effect(LocalContrastLayer layer, Measurements read, EvaluationContext context) {
    Effect contrast = contrast(layer, context);
    if (layer.haze() == 0) {
      return contrast;
    }
    double veil = read instanceof Measurements.Haze haze ? haze.veil() : 0;
    double t = layer.haze() > 0 ? layer.haze() * (veil + LEAST) : layer.haze() * LAID_ON;
    return new Effect() {
      @Override
      public Area needed(Area out) {
        return contrast.needed(out);
      }

      @Override
      public Picture render(Picture input, Area out) {
        return contrast.render(cleared(input, t), out);
      }
    };
  }

  private static Effect contrast(LocalContrastLayer layer, EvaluationContext context) {
    if (layer.contrast() == 0) {
      return Effect.perPixel(own -> own);
    }
    double sigma = context.faceWidth() * AROUND;
    float share = (float) layer.contrast();
    return new BaseDetailEffect(
        LowBand.of(context, sigma),
        sigma,
        EDGE,
        (own, around) -> {
          float[] base = around.values();
          return LabPixels.changed(own, (l, a, b, i) -> l[i] += share * (l[i] - base[i]));
        });
  }

  private static Picture cleared(Picture own, double t) {
    Picture light = Transfer.toLinear(own);
    float scale = (float) (t > 0 ? 1 / (1 - t) : 1 + t);
    float offset = (float) (t > 0 ? -t / (1 - t) : -t);
    int w = own.area().width();
    ParallelRows.each(
        w,
        own.area().height(),
        (from, to) -> {
          for (int c = 0; c < 3; c++) {
            float[] v = light.plane(c).values();
            for (int i = from * w; i < to * w; i++) {
              v[i] = v[i] * scale + offset;
            }
          }
        });
    return Transfer.encodeInPlace(light);
  }
}
