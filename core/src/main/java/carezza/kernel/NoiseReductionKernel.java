package carezza.kernel;

import carezza.filter.WaveletShrinkage;
import carezza.image.Area;
import carezza.image.ParallelRows;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.NoiseReductionLayer;

/**
 * Noise reduction: the encoded channels turned to one of lightness and two of colour (an
 * orthonormal turn, which leaves white noise white), each shrunk by {@link WaveletShrinkage} with
 * the noise that was measured at full size in darks, middle tones and lights. A coarse level has a
 * half of it for each halving, and looks at as many scales less.
 */
final class NoiseReductionKernel
    implements LayerKernel<NoiseReductionLayer, Measurements.NoiseByTone> {

  /** Details up to 16 pixels of the photograph. */
  private static final int SCALES = 4;

  /** Sides of the part that noise is measured in. */
  private static final int READ = 1024;

  /** Encoded grey in the middle of darks, middle tones and lights, and where they part. */
  private static final float[] TONES = {0.2f, 0.5f, 0.8f};

  private static final double[] PARTS = {-1, 0.35, 0.65, 2};

  private static final float THIRD = (float) (1 / Math.sqrt(3));
  private static final float HALF = (float) (1 / Math.sqrt(2));
  private static final float SIXTH = (float) (1 / Math.sqrt(6));

  @Override
  public boolean measures(NoiseReductionLayer layer) {
    return true;
  }

  @Override
  public NoiseReductionLayer measured(NoiseReductionLayer full) {
    return new NoiseReductionLayer(full.attributes(), 1, 1);
  }

  @Override
  public Measurements measure(NoiseReductionLayer layer, Probe probe) {
    Area whole = probe.site().at(0).whole();
    int w = Math.min(READ, whole.width());
    int h = Math.min(READ, whole.height());
    Area middle = new Area((whole.width() - w) / 2, (whole.height() - h) / 2, w, h);
    Picture turned = turned(probe.levels().over(middle, 0).crop(middle));
    double[] light = new double[3];
    double[] colour = new double[3];
    for (int i = 0; i < 3; i++) {
      double low = PARTS[i] / THIRD;
      double high = PARTS[i + 1] / THIRD;
      light[i] = WaveletShrinkage.sigma(turned.first(), turned.first(), low, high);
      double one = WaveletShrinkage.sigma(turned.second(), turned.first(), low, high);
      double other = WaveletShrinkage.sigma(turned.third(), turned.first(), low, high);
      colour[i] = Math.sqrt((one * one + other * other) / 2);
    }
    return new Measurements.NoiseByTone(
        light[0], light[1], light[2], colour[0], colour[1], colour[2]);
  }

  @Override
  public Effect effect(
      NoiseReductionLayer layer, Measurements.NoiseByTone noise, EvaluationContext context) {
    int scales = Math.max(0, SCALES - context.level());
    float scale = Math.scalb(1f, -context.level());
    float[] light = times(noise.light(), scale * (float) layer.lightness());
    float[] colour = times(noise.colour(), scale * (float) layer.colour());
    return Effect.reaching(
        WaveletShrinkage.reach(scales),
        (input, out) -> {
          Picture turned = turned(input);
          Plane tones = turned.first();
          // Colour is seen coarsely: its finest scale alone is looked at on every pixel.
          WaveletShrinkage ofTones = new WaveletShrinkage(tones.area(), scales, 2);
          Plane calm = ofTones.shrunk(tones, tones, row -> sigma(row, light)).crop(out);
          WaveletShrinkage.SigmaByTone ofColour = row -> sigma(row, colour);
          WaveletShrinkage ofColours = new WaveletShrinkage(tones.area(), scales, 1);
          return back(
              new Picture(
                  calm,
                  ofColours.shrunk(turned.second(), tones, ofColour).crop(out),
                  ofColours.shrunk(turned.third(), tones, ofColour).crop(out)));
        });
  }

  private static float[] times(double[] values, float factor) {
    float[] out = new float[values.length];
    for (int i = 0; i < out.length; i++) {
      out[i] = (float) values[i] * factor;
    }
    return out;
  }

  /** Sigma at each tone, in straight lines between the three that were measured. */
  private static void sigma(float[] tones, float[] byTone) {
    // Nothing but the row is read in the loop, so that it runs over many values at a time.
    float dark = TONES[0];
    float middle = TONES[1];
    float below = middle - dark;
    float above = TONES[2] - middle;
    float first = byTone[0];
    float rise = (byTone[1] - byTone[0]) / below;
    float further = (byTone[2] - byTone[1]) / above;
    for (int x = 0; x < tones.length; x++) {
      float tone = tones[x] * THIRD;
      float up = below - positive(below - positive(tone - dark));
      float on = above - positive(above - positive(tone - middle));
      tones[x] = first + rise * up + further * on;
    }
  }

  /** The larger of a value and 0, without a choice that would hold the loop up. */
  private static float positive(float v) {
    return 0.5f * (v + Math.abs(v));
  }

  private static Picture turned(Picture encoded) {
    return turn(
        encoded,
        (r, g, b, y, u, v, from, to) -> {
          for (int i = from; i < to; i++) {
            y[i] = (r[i] + g[i] + b[i]) * THIRD;
            u[i] = (r[i] - b[i]) * HALF;
            v[i] = (r[i] - 2 * g[i] + b[i]) * SIXTH;
          }
        });
  }

  private static Picture back(Picture turned) {
    return turn(
        turned,
        (y, u, v, r, g, b, from, to) -> {
          for (int i = from; i < to; i++) {
            r[i] = y[i] * THIRD + u[i] * HALF + v[i] * SIXTH;
            g[i] = y[i] * THIRD - 2 * v[i] * SIXTH;
            b[i] = y[i] * THIRD - u[i] * HALF + v[i] * SIXTH;
          }
        });
  }

  /** Three planes from three, pixel by pixel. */
  @FunctionalInterface
  private interface Turn {
    void apply(
        float[] one, float[] two, float[] three, float[] a, float[] b, float[] c, int from, int to);
  }

  private static Picture turn(Picture from, Turn turn) {
    Picture out = Picture.of(from.area());
    int w = from.area().width();
    ParallelRows.each(
        w,
        from.area().height(),
        (top, bottom) ->
            turn.apply(
                from.first().values(),
                from.second().values(),
                from.third().values(),
                out.first().values(),
                out.second().values(),
                out.third().values(),
                top * w,
                bottom * w));
    return out;
  }
}
