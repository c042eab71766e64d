package carezza.kernel;

import carezza.colour.Transfer;
import carezza.filter.MaskedBlur;
import carezza.filter.Resampling;
import carezza.image.Picture;
import carezza.image.Plane;
import carezza.mask.EvaluationContext;
import carezza.model.SemanticRegion;

/** What lies behind the person about each place, where it is to give way to something else. */
final class OldBackdrop {

  /** Sigma over which it is read, as a share of the picture's short edge. */
  private static final double ABOUT = 0.03;

  /** Share of the person from which a pixel counts as mixed. */
  private static final float MIXED = 0.1f;

  /** Long edge that it is kept at, as it is smooth. */
  private static final int SMALL = 48;

  private final Measurements.Backdrop read;
  private final double ratio;

  /**
   * @param scale of the level that is asked about
   */
  OldBackdrop(Measurements.Backdrop read, double scale) {
    this.read = read;
    ratio = read.scale() / scale;
  }

  /** Reads it, carried on under the person, and its mean light. */
  static Measurements.Backdrop of(Probe probe) {
    EvaluationContext site = probe.site();
    Plane open = site.regions().coverage(SemanticRegion.BACKDROP, site.whole(), site.level());
    Plane weights = Plane.of(site.whole());
    for (int i = 0; i < weights.values().length; i++) {
      float c = open.values()[i];
      weights.values()[i] = c * c * c * c;
    }
    double sigma = ABOUT * Math.min(site.whole().width(), site.whole().height());
    Picture light = Transfer.toLinear(probe.input());
    MaskedBlur near = new MaskedBlur(weights, sigma);
    Picture backdrop = light.map(near::blur);
    double[] mean = new double[3];
    double sum = 1e-9;
    for (int i = 0; i < weights.values().length; i++) {
      sum += weights.values()[i];
      for (int c = 0; c < 3; c++) {
        mean[c] += weights.values()[i] * light.plane(c).values()[i];
      }
    }
    double scale = site.scale();
    while (Math.max(backdrop.area().width(), backdrop.area().height()) > SMALL) {
      backdrop = backdrop.map(Resampling::half);
      scale /= 2;
    }
    return new Measurements.Backdrop(backdrop, scale, mean[0] / sum, mean[1] / sum, mean[2] / sum);
  }

  /**
   * Linear light of it along a row of the level.
   *
   * @param x of the first pixel
   * @param light a row for each channel
   */
  void along(int x, int y, float[][] light) {
    int last = read.light().area().width() - 1;
    float[] row = new float[last + 1];
    for (int c = 0; c < 3; c++) {
      Plane small = read.light().plane(c);
      for (int i = 0; i <= last; i++) {
        row[i] = small.sample(i + 0.5, (y + 0.5) * ratio);
      }
      ramp(row, (x + 0.5) * ratio - 0.5, light[c]);
    }
  }

  /**
   * Straight lines between the small picture's columns, each written in one go.
   *
   * @param first place in the row that the first pixel is taken at
   */
  private void ramp(float[] row, double first, float[] out) {
    int last = row.length - 1;
    int i = 0;
    for (int left = -1; left <= last; left++) {
      float from = row[Math.max(0, left)];
      float rise = row[Math.min(last, left + 1)] - from;
      float slope = (float) (rise * ratio);
      float start = (float) (from + (first - left) * rise);
      int end =
          left == last
              ? out.length
              : Math.clamp((long) Math.ceil((left + 1 - first) / ratio), i, out.length);
      for (; i < end; i++) {
        out[i] = start + slope * i;
      }
    }
  }

  /** How much a pixel counts as mixed with the person, by the share of the backdrop in it. */
  static float mixed(float open) {
    return LabPixels.rise(1 - open, 0, MIXED);
  }
}
