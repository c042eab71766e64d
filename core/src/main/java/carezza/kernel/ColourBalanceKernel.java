package carezza.kernel;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.colour.WorkingSpace;
import carezza.function.LookupTable;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;
import carezza.model.ColourBalanceLayer;

/** Tints of shadows, midtones and highlights by factors of linear light. */
final class ColourBalanceKernel implements LayerKernel<ColourBalanceLayer, Measurements> {

  /**
   * What the tint makes of a grey of the pixel's luminance, as factors of the three linear
   * channels, is done to the pixel; its luminance is then held by its share.
   */
  @Override
  public Effect effect(ColourBalanceLayer layer, Measurements none, EvaluationContext context) {
    LookupTable[] tint = Tones.of(layer.shadows(), layer.midtones(), layer.highlights());
    LookupTable[] factors = new LookupTable[3];
    for (int c = 0; c < 3; c++) {
      int channel = c;
      factors[c] =
          new LookupTable(
              v -> {
                double l = Math.clamp(v, 1, 100);
                double[] grey = new Lab(l, 0, 0).toWorking();
                double[] tinted =
                    new Lab(l, tint[0].at((float) l), tint[1].at((float) l)).toWorking();
                return Math.max(0, Transfer.toLinear((float) tinted[channel]))
                    / Transfer.toLinear((float) grey[channel]);
              },
              0,
              100,
              8);
    }
    float hold = (float) layer.hold();
    return Effect.perPixel(own -> balanced(own, factors, hold));
  }

  private static Picture balanced(Picture own, LookupTable[] factors, float hold) {
    Picture light = Transfer.toLinear(own);
    float[] lightness = Lab.lightness(own).values();
    float[] r = light.first().values();
    float[] g = light.second().values();
    float[] b = light.third().values();
    int w = own.area().width();
    ParallelRows.each(
        w,
        own.area().height(),
        (from, to) -> {
          for (int i = from * w; i < to * w; i++) {
            float l = lightness[i];
            float before = WorkingSpace.luminance(r[i], g[i], b[i]);
            r[i] *= factors[0].at(l);
            g[i] *= factors[1].at(l);
            b[i] *= factors[2].at(l);
            float after = WorkingSpace.luminance(r[i], g[i], b[i]);
            if (after > 1e-6f) {
              float k = 1 + hold * (before / after - 1);
              r[i] *= k;
              g[i] *= k;
              b[i] *= k;
            }
          }
        });
    return Transfer.encodeInPlace(light);
  }
}
