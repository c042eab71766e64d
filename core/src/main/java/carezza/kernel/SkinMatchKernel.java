package carezza.kernel;

import carezza.colour.Lab;
import carezza.colour.Transfer;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.mask.EvaluationContext;
import carezza.model.SkinMatchLayer;

/**
 * Match: the factors of linear light that take the median of the skin under the mask to that of the
 * skin to follow, its a*, b* scaled to equal lightness. Constant factors are constant pigment in
 * density, so shading and texture stay and nothing bands.
 */
final class SkinMatchKernel implements LayerKernel<SkinMatchLayer, Measurements.Match> {

  @Override
  public boolean measures(SkinMatchLayer layer) {
    return true;
  }

  @Override
  public Measurements.Match measure(SkinMatchLayer layer, Probe probe) {
    return new Measurements.Match(
        Whitening.under(layer.attributes().mask(), probe), Whitening.under(layer.follow(), probe));
  }

  @Override
  public SkinMatchLayer measured(SkinMatchLayer full) {
    return new SkinMatchLayer(full.attributes(), full.follow(), 0, 0);
  }

  @Override
  public Effect effect(SkinMatchLayer layer, Measurements.Match match, EvaluationContext context) {
    if (!match.off().found() || !match.follow().found()) {
      return Effect.perPixel(own -> own);
    }
    double[] factors = factors(layer, match);
    float[] f = new float[3];
    float[] roots = new float[3];
    for (int c = 0; c < 3; c++) {
      f[c] = (float) factors[c];
      roots[c] = (float) Math.pow(factors[c], Transfer.ROOT);
    }
    return Effect.perPixel(
        own -> {
          Picture out = Picture.of(own.area());
          int w = own.area().width();
          ParallelRows.each(
              w,
              own.area().height(),
              (first, last) -> {
                for (int c = 0; c < 3; c++) {
                  float[] from = own.plane(c).values();
                  float[] to = out.plane(c).values();
                  for (int i = first * w; i < last * w; i++) {
                    to[i] = Transfer.times(from[i], f[c], roots[c]);
                  }
                }
              });
          return out;
        });
  }

  private static double[] factors(SkinMatchLayer layer, Measurements.Match match) {
    Lab off = lab(match.off());
    Lab follow = lab(match.follow());
    double l = off.l() + layer.lightness() * (follow.l() - off.l());
    double own = l / Math.max(1, off.l());
    double scale = l / Math.max(1, follow.l());
    Lab aim =
        new Lab(
            l,
            own * off.a() + layer.colour() * (scale * follow.a() - own * off.a()),
            own * off.b() + layer.colour() * (scale * follow.b() - own * off.b()));
    double[] from = off.toWorking();
    double[] to = aim.toWorking();
    double[] factors = new double[3];
    for (int c = 0; c < 3; c++) {
      double light = Math.max(1e-4, Transfer.toLinear((float) from[c]));
      factors[c] = Math.clamp(Transfer.toLinear((float) to[c]) / light, 0.2, 5);
    }
    return factors;
  }

  private static Lab lab(Measurements.Tone tone) {
    return new Lab(tone.l(), tone.a(), tone.b());
  }
}
