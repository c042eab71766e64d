package carezza.kernel;

import carezza.colour.Transfer;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.LevelsLayer;

/**
 * Range: lights and darks by stops that follow the lightness around a pixel, smoothed within edges,
 * so that the contrast inside them stays; then the encoded channels from black … white to 0 … 1.
 */
final class LevelsKernel implements LayerKernel<LevelsLayer, Measurements> {

  /** Sigma of what counts as around, as a share of the face width. */
  private static final double AROUND = 1 / 10.0;

  /** L* that stops the smoothing. */
  private static final double EDGE = 9;

  private static final LookupTable POWER = new LookupTable(s -> Math.pow(2, s), -2, 2, 512);
  private static final LookupTable ROOT =
      new LookupTable(s -> Math.pow(2, s * Transfer.ROOT), -2, 2, 512);

  @Override
  public Effect effect(LevelsLayer layer, Measurements none, EvaluationContext context) {
    float black = (float) layer.black();
    float span = (float) (1 / Math.max(0.05, layer.white() - layer.black()));
    if (layer.shadows() == 0 && layer.highlights() == 0) {
      return Effect.perPixel(own -> stretched(own.copy(), black, span));
    }
    LookupTable stops =
        new LookupTable(
            l ->
                layer.shadows() * (1 - LabPixels.rise((float) l, 8, 52))
                    + layer.highlights() * LabPixels.rise((float) l, 48, 92),
            0,
            120,
            4);
    double sigma = context.faceWidth() * AROUND;
    return new BaseDetailEffect(
        LowBand.of(context, sigma),
        sigma,
        EDGE,
        new BaseDetailEffect.Parts() {
          @Override
          public Plane base(Plane smooth) {
            for (int i = 0; i < smooth.values().length; i++) {
              smooth.values()[i] = stops.at(Math.clamp(smooth.values()[i], 0, 119));
            }
            return smooth;
          }

          @Override
          public Picture change(Picture own, Plane stopsHere) {
            return stretched(lit(own, stopsHere), black, span);
          }
        });
  }

  private static Picture lit(Picture own, Plane stops) {
    return Luminance.times(
        own,
        (row, factors, roots) -> {
          for (int x = 0; x < roots.length; x++) {
            float s = Math.clamp(stops.values()[row + x], -2, 2);
            factors[x] = POWER.at(s);
            roots[x] = ROOT.at(s);
          }
        });
  }

  private static Picture stretched(Picture own, float black, float perUnit) {
    if (black != 0 || perUnit != 1) {
      int w = own.area().width();
      ParallelRows.each(
          w,
          own.area().height(),
          (from, to) -> {
            for (int c = 0; c < 3; c++) {
              float[] v = own.plane(c).values();
              for (int i = from * w; i < to * w; i++) {
                v[i] = (v[i] - black) * perUnit;
              }
            }
          });
    }
    return own;
  }
}
